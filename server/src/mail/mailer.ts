import { mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import nodemailer, { type SentMessageInfo, type Transport, type Transporter } from 'nodemailer';

/** Hands letters to the mail. */
export interface Mailer {
  send: (letter: OutgoingLetter) => Promise<void>;
  /** Takes letters out of wherever they were laid; what a mail server took is out of reach. */
  forget: (ids: readonly string[]) => Promise<void>;
  close: () => void;
}

export interface OutgoingLetter {
  /** The same for every try, so that who gets it twice sees that it is one. */
  id: string;
  from: { name: string; address: string };
  to: string;
  subject: string;
  text: string;
}

export interface MailWays {
  /** Of a mail server, `smtp(s)://user:password@host:port`; without one, letters are laid into the outbox. */
  smtpUrl: string | undefined;
  /** Folder into which letters are laid. */
  outbox: string;
}

const messageIdOf = (id: string): string => `<${id}@katharos>`;
const fileOf = (messageId: string): string => `${messageId.replace(/[^\w.-]/g, '')}.eml`;

/**
 * The stand-in for a mail server: lays every letter as a message (RFC 5322, `.eml`) into a folder, whole or not at all. It is a transport
 * like any other, so that a real server takes its place by configuration alone.
 */
function outboxTransport(folder: string): Transport<SentMessageInfo> {
  const lay = async (content: Buffer, name: string): Promise<void> => {
    await mkdir(folder, { recursive: true });
    const half = join(folder, `.${name}`);
    await writeFile(half, content, { mode: 0o600 });
    await rename(half, join(folder, name));
  };
  return {
    name: 'outbox',
    version: '1',
    send: ({ message }, done) => {
      const envelope = message.getEnvelope();
      const messageId = message.messageId();
      message.build((fault, content) => {
        if (fault) {
          done(fault, null);
          return;
        }
        lay(content, fileOf(messageId)).then(
          () => done(null, { envelope, messageId }),
          (error: Error) => done(error, null),
        );
      });
    },
  };
}

/** How long a mail server may be silent, ms: shorter than a database waits for a transaction. */
const patience = { connectionTimeout: 4000, greetingTimeout: 4000, socketTimeout: 8000 } as const;

/** A mailer by a firm's server, or by the stand-in. */
export function openMailer({ smtpUrl, outbox }: MailWays): Mailer {
  const transporter: Transporter = smtpUrl
    ? nodemailer.createTransport({ url: smtpUrl, ...patience })
    : nodemailer.createTransport(outboxTransport(outbox));
  return {
    send: async ({ id, from, to, subject, text }) => {
      await transporter.sendMail({ messageId: messageIdOf(id), from, to, subject, text });
    },
    forget: async (ids) => {
      if (smtpUrl) return;
      for (const id of ids) await rm(join(outbox, fileOf(messageIdOf(id))), { force: true });
    },
    close: () => transporter.close(),
  };
}
