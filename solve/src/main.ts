import { createInterface } from 'node:readline';
import { answerLine } from './answer.ts';

/** JSON Lines in, JSON Lines out. Blank lines are passed over. */
const lines = createInterface({ input: process.stdin, crlfDelay: Infinity });
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  // The reader may close early (`| head`); that is no failure.
  if (error.code === 'EPIPE') process.exit(0);
  throw error;
});
lines.on('line', (line) => {
  if (line.trim() === '') return;
  process.stdout.write(`${JSON.stringify(answerLine(line))}\n`);
});
