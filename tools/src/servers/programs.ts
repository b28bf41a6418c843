import { spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { serverAccount } from '../postgres.ts';
import { ended } from '../processes.ts';
import { findOrInstall, postgresServer, type SystemPackage } from '../systemPackages.ts';

/** What stands around the servers in earnest, from Debian's packages: a proxy that ends TLS, a pooler, a standby of the database. */

export interface Running {
  stop: () => Promise<void>;
}

const found = (path: string) => (existsSync(path) ? path : undefined);
const nginx: SystemPackage = { name: 'nginx-light', find: () => found('/usr/sbin/nginx') };
const pgbouncer: SystemPackage = { name: 'pgbouncer', find: () => found('/usr/sbin/pgbouncer') };

/** PostgreSQL's own programs refuse root, which lends itself to Debian's account for them. */
function asPostgres(): { prefix: string[]; own: (path: string) => void } {
  const account = serverAccount();
  if (!account) return { prefix: [], own: () => undefined };
  const { uid, gid } = account;
  return {
    prefix: ['setpriv', `--reuid=${uid}`, `--regid=${gid}`, '--clear-groups'],
    own: (path) => chownSync(path, uid, gid),
  };
}

async function run(command: string[], port: number): Promise<Running> {
  const [program, ...args] = command;
  const child = spawn(program!, args, { cwd: '/', stdio: ['ignore', 'ignore', 'pipe'] });
  let said = '';
  child.stderr
    .setEncoding('utf8')
    .on('data', (text: string) => (said = (said + text).slice(-2000)));
  for (let tries = 0; ; tries += 1) {
    if (child.exitCode !== null || tries > 150)
      throw new Error(`${command.join(' ')} did not start: ${said}`);
    const answers = await new Promise<boolean>((resolve) => {
      const socket = connect(port, '127.0.0.1', () => resolve(true)).on('error', () =>
        resolve(false),
      );
      setTimeout(() => socket.destroy(), 500);
    });
    if (answers) break;
    await pause(100);
  }
  return {
    stop: async () => {
      child.kill('SIGTERM');
      await ended(child);
    },
  };
}

/** A certificate of its own for `localhost`, which nobody but this run trusts. */
export function selfSigned(folder: string): { key: string; certificate: string } {
  const [key, certificate] = [join(folder, 'key.pem'), join(folder, 'certificate.pem')];
  const made = spawnSync(
    'openssl',
    ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=localhost']
      .concat('-addext', 'subjectAltName=DNS:localhost')
      .concat('-keyout', key, '-out', certificate),
    { encoding: 'utf8' },
  );
  if (made.status !== 0) throw new Error(`openssl failed: ${made.stderr}`);
  return { key, certificate };
}

/** Ends TLS in front of some servers, as docs/OPERATION.md says. */
export async function startProxy(
  folder: string,
  port: number,
  servers: readonly number[],
  { key, certificate }: ReturnType<typeof selfSigned>,
): Promise<Running> {
  const program = await findOrInstall(nginx);
  const file = join(folder, 'nginx.conf');
  writeFileSync(
    file,
    `daemon off; pid ${folder}/nginx.pid; error_log stderr error; worker_processes 1;
events { worker_connections 1024; }
http {
  access_log off;
  client_body_temp_path ${folder}/body; proxy_temp_path ${folder}/proxy;
  fastcgi_temp_path ${folder}/f; uwsgi_temp_path ${folder}/u; scgi_temp_path ${folder}/s;
  upstream katharos { ${servers.map((one) => `server 127.0.0.1:${one} max_fails=1 fail_timeout=1s;`).join(' ')} }
  server {
    listen 127.0.0.1:${port} ssl; server_name localhost;
    ssl_certificate ${certificate}; ssl_certificate_key ${key};
    location / {
      proxy_pass http://katharos;
      proxy_http_version 1.1;
      proxy_set_header Host $http_host;
      proxy_set_header X-Forwarded-For $remote_addr;
      proxy_set_header X-Forwarded-Proto $scheme;
      proxy_buffering off;
      client_max_body_size 135m;
    }
  }
}
`,
  );
  return run([program, '-c', file, '-p', folder, '-e', 'stderr'], port);
}

/** Pools whole sessions, as a server listens on one and holds locks on others; returns the address that goes through it. */
export async function startPooler(
  folder: string,
  port: number,
  databaseUrl: string,
): Promise<Running & { url: string }> {
  const program = await findOrInstall(pgbouncer);
  const { prefix, own } = asPostgres();
  const { hostname, port: to, username, password, pathname } = new URL(databaseUrl);
  const home = join(folder, 'pgbouncer');
  mkdirSync(home);
  const [file, users] = [join(home, 'pgbouncer.ini'), join(home, 'users.txt')];
  writeFileSync(users, `"${username}" "${password}"\n`, { mode: 0o600 });
  writeFileSync(
    file,
    `[databases]
${pathname.slice(1)} = host=${hostname} port=${to}
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${port}
unix_socket_dir =
auth_type = scram-sha-256
auth_file = ${users}
pool_mode = session
default_pool_size = 60
max_client_conn = 200
server_reset_query = DISCARD ALL
server_login_retry = 1
ignore_startup_parameters = statement_timeout,lock_timeout,idle_in_transaction_session_timeout,extra_float_digits
`,
  );
  for (const path of [home, file, users]) own(path);
  const running = await run([...prefix, program, '-q', file], port);
  const url = new URL(databaseUrl);
  url.port = String(port);
  return { ...running, url: url.href };
}

/** A standby that follows by streaming; returns its address, which can only be read from. */
export async function startStandby(
  folder: string,
  port: number,
  databaseUrl: string,
): Promise<Running & { url: string }> {
  const programs = await findOrInstall(postgresServer);
  const { prefix, own } = asPostgres();
  const data = join(folder, 'standby');
  mkdirSync(data, { mode: 0o700 });
  own(data);
  const { hostname, port: from, username, password } = new URL(databaseUrl);
  const [program, ...args] = [
    ...prefix,
    join(programs, 'pg_basebackup'),
    ...['-h', hostname, '-p', from, '-U', username, '-D', data, '-R', '-X', 'stream', '--no-sync'],
    // What it has not read yet is kept for it, also while it is away.
    ...['-C', '-S', 'standby'],
  ];
  const copied = spawnSync(program!, args, {
    cwd: '/',
    encoding: 'utf8',
    env: { PATH: process.env.PATH, PGPASSWORD: password },
  });
  if (copied.status !== 0) throw new Error(`pg_basebackup failed: ${copied.stderr}`);
  const settings = ['listen_addresses=127.0.0.1', `port=${port}`, 'unix_socket_directories='];
  const running = await run(
    [...prefix, join(programs, 'postgres'), '-D', data].concat(
      settings.flatMap((one) => ['-c', one]),
    ),
    port,
  );
  const url = new URL(databaseUrl);
  url.port = String(port);
  return { ...running, url: url.href };
}
