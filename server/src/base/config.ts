import { z } from 'zod';

/** What hashing a password costs: scrypt's N, r and p. */
export interface PasswordCost {
  readonly N: number;
  readonly r: number;
  readonly p: number;
}

/** The cost that OWASP names as the least for interactive sign-in (2024): 128 MiB. */
export const usualPasswordCost: PasswordCost = Object.freeze({ N: 2 ** 17, r: 8, p: 1 });

/** For the sample firm, whose password is written on the page: nothing is kept from anybody by it. */
export const samplePasswordCost: PasswordCost = Object.freeze({ N: 2 ** 12, r: 8, p: 1 });

const configSchema = z.object({
  DATABASE_URL: z.url({ protocol: /^postgres(ql)?$/ }),
  PORT: z.coerce.number().int().min(0).max(65535).default(8717),
  HOST: z.string().default('127.0.0.1'),
  /** Folder of the built web application; without it only the API is served. */
  WEB_ROOT: z.string().optional(),
  /** Seeds sample data, or ten thousand systems of it, and shows its sign-in on the sign-in page. Never set for real work. */
  KATHAROS_DEMO: z.enum(['0', '1', 'large']).default('0'),
  /** Set when TLS ends in front of this server: cookies are then marked Secure and the proxy's address header is trusted. */
  BEHIND_TLS: z.enum(['0', '1']).default('0'),
  /** Of a mail server, smtp(s)://user:password@host:port; without one, letters are laid into the outbox. */
  SMTP_URL: z.url({ protocol: /^smtps?$/ }).optional(),
  MAIL_OUTBOX: z.string().min(1).default('.local/outbox'),
  /** The address that letters come from. */
  MAIL_FROM: z.email().default('letters@localhost.localdomain'),
  /** Whoever reads /metrics brings it as a bearer token; without one there are none. */
  METRICS_TOKEN: z.string().min(16).optional(),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
});

export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
  readonly host: string;
  readonly webRoot: string | undefined;
  readonly demo: boolean;
  /** Ten thousand systems rather than a few. */
  readonly demoIsLarge: boolean;
  readonly behindTls: boolean;
  readonly mail: {
    readonly smtpUrl: string | undefined;
    readonly outbox: string;
    readonly from: string;
  };
  readonly metricsToken: string | undefined;
  readonly logLevel: string;
  /** Tries to sign in allowed from one address in a quarter of an hour. */
  readonly signInTries: number;
  /** What hashing a password costs. */
  readonly passwordCost: PasswordCost;
}

/** Reads the environment once, refuses what is wrong with a sentence, and freezes it. */
export function readConfig(env: Record<string, string | undefined>): Config {
  const parsed = configSchema.safeParse(env);
  if (!parsed.success) {
    const lines = parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
    throw new Error(`The configuration is wrong. ${lines.join('; ')}`);
  }
  const { data } = parsed;
  return Object.freeze({
    databaseUrl: data.DATABASE_URL,
    port: data.PORT,
    host: data.HOST,
    webRoot: data.WEB_ROOT,
    demo: data.KATHAROS_DEMO !== '0',
    demoIsLarge: data.KATHAROS_DEMO === 'large',
    behindTls: data.BEHIND_TLS === '1',
    mail: Object.freeze({
      smtpUrl: data.SMTP_URL,
      outbox: data.MAIL_OUTBOX,
      from: data.MAIL_FROM,
    }),
    metricsToken: data.METRICS_TOKEN,
    logLevel: data.LOG_LEVEL,
    signInTries: 10,
    passwordCost: data.KATHAROS_DEMO === '0' ? usualPasswordCost : samplePasswordCost,
  });
}
