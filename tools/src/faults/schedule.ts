import { randomBytes } from 'node:crypto';
import type { BrowserContext } from '@playwright/test';
import { seededRandom } from '@katharos/core';
import { type JobDocument, jobDocumentSchema } from '@katharos/job';
import pg from 'pg';
import sharp from 'sharp';
import type { RunningServer } from './server.ts';
import { type OwnField, ownFields, Person, sharedField } from './person.ts';

/** What was found at the end of a schedule: nothing, if all is well. */
export interface Outcome {
  deeds: number;
  lost: string[];
  doubled: string[];
  /** What everybody did, where something is not as it should be. */
  accounts: string[];
}

const settleMs = 120_000;

/** A firm on a server of its own, and the browsers of those who may work there. */
export interface Scene {
  /** Of up to so many people, kept from schedule to schedule as people keep theirs. */
  browsers: readonly BrowserContext[];
  server: RunningServer;
  databaseUrl: string;
}

/** A picture that no other is like. */
const picture = (): Promise<Buffer> => {
  const [r, g, b] = randomBytes(3);
  return sharp({
    create: { width: 24, height: 18, channels: 3, background: { r: r!, g: g!, b: b! } },
  })
    .png()
    .toBuffer();
};

/** Two to four people at one job, and everything that can happen to them, by chance and by seed. */
export async function runSchedule(
  seed: number,
  { browsers, server, databaseUrl }: Scene,
): Promise<Outcome> {
  const random = seededRandom(seed);
  const below = (count: number) => Math.floor(random() * count);
  const admin = new pg.Client({ connectionString: databaseUrl });
  admin.on('error', () => undefined);
  await admin.connect();
  const job = await server.newJob(`Schedule ${seed}`);
  const count = 2 + below(browsers.length - 1);
  const people = Array.from(
    { length: count },
    (_, i) =>
      new Person(
        ownFields.filter((_field, k) => k % count === i),
        { context: browsers[i]!, address: `/jobs/${job.id}`, cookies: () => server.signIn() },
      ),
  );
  await Promise.all(people.map((person) => person.arrive()));
  const offline = new Set<Person>();
  const someone = () => people[below(count)]!;
  const events: [number, () => Promise<void>][] = [
    [
      30,
      async () => {
        const person = someone();
        await person.enter(person.fields[below(person.fields.length)]!);
      },
    ],
    [
      12,
      async () => {
        // At the same time, as people do.
        await Promise.all(
          people.map((person) => person.enter(person.fields[below(person.fields.length)]!)),
        );
      },
    ],
    [6, () => someone().enter(sharedField)],
    [
      12,
      async () => {
        const at = below(count);
        await people[at]!.tick((step) => step % count === at);
      },
    ],
    [7, () => someone().undo()],
    [7, async () => someone().photograph(await picture())],
    [
      10,
      async () => {
        const person = someone();
        await person.offline(!offline.has(person));
        if (!offline.delete(person)) offline.add(person);
      },
    ],
    [6, () => someone().killPage()],
    [
      6,
      () => {
        people[0]!.tell('(the server is killed)');
        return Promise.resolve(server.kill());
      },
    ],
    [
      4,
      () => {
        people[0]!.tell('(the server hangs)');
        return server.hang(500 + below(4000));
      },
    ],
    [
      4,
      async () => {
        people[0]!.tell('(all sessions end)');
        await admin.query('delete from sessions');
      },
    ],
    [
      4,
      async () => {
        await admin.query(
          "select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'katharos' and datname = current_database()",
        );
      },
    ],
    [8, () => someone().answer()],
  ];
  const all = events.reduce((sum, [weight]) => sum + weight, 0);
  const steps = 12 + below(14);
  for (let step = 0; step < steps; step += 1) {
    let at = random() * all;
    const [, event] = events.find(([weight]) => (at -= weight) < 0) ?? events[0]!;
    await event();
  }
  await server.ready();
  for (const person of people) await person.offline(false);
  const until = Date.now() + settleMs;
  for (;;) {
    for (const person of people) await person.answer();
    const waiting = await Promise.all(people.map((person) => person.waiting()));
    if (waiting.every((deeds) => deeds === 0) || Date.now() > until) break;
    await new Promise((resolve) => setTimeout(resolve, 300));
  }
  const outcome = await compare(admin, job, people);
  if (outcome.lost.length + outcome.doubled.length > 0) {
    for (const person of people) await person.describe();
    outcome.accounts = people.flatMap(({ account }, i) =>
      account.map((line) => `${line.slice(0, 10)} person ${i + 1} ${line.slice(10)}`),
    );
    outcome.accounts.sort();
  }
  await Promise.all(people.map((person) => person.leave()));
  await admin.end();
  return outcome;
}

/** What the database holds against what each person did by their own account. */
async function compare(
  admin: pg.Client,
  job: { id: string; document: JobDocument },
  people: readonly Person[],
): Promise<Outcome> {
  const { rows } = await admin.query<{ document: JobDocument }>(
    'select document from jobs where id = $1',
    [job.id],
  );
  const { document } = rows[0]!;
  const outcome: Outcome = { deeds: 0, lost: [], doubled: [], accounts: [] };
  if (!jobDocumentSchema.safeParse(document).success)
    outcome.lost.push('the document is not whole');
  const shared = new Set<number>();
  const unseen = new Set<number | undefined>();
  for (const person of people) {
    for (const field of new Set([...person.entered.keys(), ...person.unsure.keys()])) {
      const values = person.entered.get(field) ?? [];
      outcome.deeds += values.length;
      if (field === sharedField) {
        for (const value of values) shared.add(value);
        for (const value of person.unsure.get(field) ?? []) unseen.add(value);
        continue;
      }
      const held = figureOf(document, field);
      const before = figureOf(job.document, field);
      const last = values.at(-1) ?? before;
      const unsure = (person.unsure.get(field) ?? []).map((value) => value ?? before);
      if (![last, ...unsure].includes(held)) {
        outcome.lost.push(
          `${field.label}: ${last ?? 'nothing'} was entered, ${held ?? 'nothing'} is there`,
        );
      }
    }
    for (const step of person.ticked) {
      if (!document.plumb.done?.[step]) outcome.lost.push(`${step}: ticked, and is not`);
    }
    outcome.deeds += person.photographs + person.ticked.size;
  }
  const held = figureOf(document, sharedField);
  if (shared.size > 0 && !(held !== undefined && (shared.has(held) || unseen.has(held)))) {
    outcome.lost.push(`${sharedField.label}: ${held ?? 'nothing'} is there, which nobody entered`);
  }
  const { rows: photographs } = await admin.query<{ count: string }>(
    'select count(*) from photographs where job_id = $1 and removed_at is null',
    [job.id],
  );
  const wanted = people.reduce((sum, person) => sum + person.photographs, 0);
  const found = Number(photographs[0]!.count);
  if (found < wanted) outcome.lost.push(`${wanted} photographs were taken, ${found} are there`);
  const most = people.reduce((sum, person) => sum + person.unsurePhotographs, wanted);
  if (found > most) outcome.doubled.push(`${wanted} photographs were taken, ${found} are there`);
  return outcome;
}

function figureOf(document: JobDocument, { path: [part, key] }: OwnField): number | undefined {
  return (document.survey[part] as Record<string, { value: number } | undefined>)[key]?.value;
}
