import { judgeVerified } from './verified/judgeVerified.ts';
import { type VerifiedCase, verifiedCases } from './verified/verifiedCases.ts';

/** Systems of each kind where nobody says how many. */
const usual = 300;

const line = (...cells: (string | number)[]) => process.stdout.write(`| ${cells.join(' | ')} |\n`);
const share = (part: number, whole: number) =>
  `${((100 * part) / Math.max(whole, 1)).toFixed(1)} %`;

/** How often each text occurs, the most first. */
function counted(texts: readonly string[]): [string, number][] {
  const times = new Map<string, number>();
  for (const text of texts) times.set(text, (times.get(text) ?? 0) + 1);
  return [...times].sort((a, b) => b[1] - a[1]);
}

/**
 * `npm run verified -- COUNT`: so many sound systems and so many with one fault, verified with instruments' noise, as tables; they stand
 * in docs/VERIFIED.md. A faulty one that is called good with everything done is what must not be; a sound one with a remark is accused.
 */
export function run([asked]: readonly string[] = []): void {
  const count = asked ? Number(asked) : usual;
  const { sound, faulty } = verifiedCases(count);
  const judge = (cases: readonly VerifiedCase[]) =>
    cases.map((one) => ({ ...one, ...judgeVerified(one) }));
  const [sounds, faults] = [judge(sound), judge(faulty)];
  const clean = sounds.filter(({ remarks }) => remarks.length === 0);
  const good = faults.filter(({ certified }) => certified.grade === 'good');
  const clear = good.filter(({ remarks }) => remarks.length === 0);
  const owing = good.filter(({ certified }) => certified.owed.length > 0);
  line('verified', 'systems', 'share');
  line('---', '---:', '---:');
  line('sound, without a remark', clean.length, share(clean.length, count));
  line('sound, with a remark', count - clean.length, share(count - clean.length, count));
  line('faulty, called good', good.length, share(good.length, count));
  line('faulty, called good without a remark', clear.length, share(clear.length, count));
  line('faulty, called good with something owed', owing.length, share(owing.length, count));
  process.stdout.write('\n');
  line('remark on a sound system', 'times');
  line('---', '---:');
  for (const [remark, times] of counted(sounds.flatMap(({ remarks }) => remarks.map(generic))))
    line(remark, times);
  process.stdout.write('\n');
  line('fault that was called good', 'times', 'of');
  line('---', '---:', '---:');
  const drawn = new Map(counted(faulty.map(({ truth }) => truth)));
  for (const [truth, times] of counted(good.map(({ truth: one }) => one)))
    line(truth, times, drawn.get(truth) ?? 0);
  process.stdout.write(
    `verified: ${count} sound, ${count - clean.length} with a remark; ${count} faulty, ${good.length} called good\n`,
  );
}

/** A remark without its figures, to be counted. */
const generic = (remark: string): string => remark.replace(/\d[\d.,]*/g, '#');
