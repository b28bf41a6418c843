import { readFileSync } from 'node:fs';
import { Agent, request } from 'node:https';
import { setTimeout as pause } from 'node:timers/promises';
import { demoSignIn } from '@katharos/server/demo';

/** A person's browser at the proxy: sends again what was not answered, under the same key, and listens to what changes. */
export interface Client {
  ask: (method: string, path: string, body?: object, key?: string) => Promise<Answer>;
  /** Sends until it is answered otherwise than that nobody is there. */
  insist: (method: string, path: string, body: object, key: string) => Promise<Answer>;
  /** Hears what changes, opening the line anew when it ends. */
  listen: (heard: (line: string) => void) => () => void;
}

export interface Answer {
  status: number;
  body: unknown;
}

/** What a proxy says of a server that went, and a server of a database that did: worth another try. */
const comesAgain = new Set([0, 502, 503, 504]);
const againAfterMs = 150;

export async function signedIn(port: number, certificate: string): Promise<Client> {
  const agent = new Agent({ keepAlive: true, ca: readFileSync(certificate), maxSockets: 64 });
  const base = { host: 'localhost', port, agent, family: 4 } as const;
  let cookie = '';
  const ask: Client['ask'] = (method, path, body, key) =>
    new Promise((resolve) => {
      const headers = {
        ...(cookie && { cookie }),
        ...(body && { 'Content-Type': 'application/json' }),
        ...(key && { 'Idempotency-Key': key }),
      };
      const asked = request({ ...base, method, path: `/api${path}`, headers }, (answer) => {
        let text = '';
        answer.setEncoding('utf8').on('data', (more: string) => (text += more));
        answer.on('error', () => resolve({ status: 0, body: null }));
        answer.on('end', () => {
          const [given] = answer.headers['set-cookie'] ?? [];
          if (given) cookie = given.split(';')[0]!;
          const isJson = answer.headers['content-type']?.includes('json') && text !== '';
          resolve({ status: answer.statusCode!, body: isJson ? JSON.parse(text) : null });
        });
      });
      asked.on('error', () => resolve({ status: 0, body: null }));
      asked.end(body && JSON.stringify(body));
    });
  const insist: Client['insist'] = async (method, path, body, key) => {
    for (;;) {
      const answer = await ask(method, path, body, key);
      if (!comesAgain.has(answer.status)) return answer;
      await pause(againAfterMs);
    }
  };
  const entered = await insist('POST', '/session', demoSignIn, 'sign-in-once');
  if (entered.status !== 201) throw new Error(`signing in was answered ${entered.status}`);
  if (!cookie.startsWith('__Host-')) throw new Error('behind TLS the cookie is held to its host');

  const listen: Client['listen'] = (heard) => {
    let isWanted = true;
    let line: ReturnType<typeof request> | undefined;
    const open = () => {
      if (!isWanted) return;
      const again = () => void setTimeout(open, againAfterMs);
      line = request({ ...base, path: '/api/events', headers: { cookie } }, (answer) => {
        answer.setEncoding('utf8').on('data', (text: string) => {
          for (const said of text.matchAll(/^data: (.*)$/gm)) heard(said[1]!);
        });
      });
      // An answer that breaks off closes the request as well: one of the two is enough.
      line.on('error', () => undefined).on('close', again);
      line.end();
    };
    open();
    return () => {
      isWanted = false;
      line?.destroy();
    };
  };
  return { ask, insist, listen };
}
