import type { Caution, WorkStep } from './workStep.ts';

/** What harms most, or is peculiar to a job, first; what every job has comes last. */
const byWeight: readonly Caution[] = [
  'saddle-barred',
  'tap-without-gap',
  'hot-and-cold-never-mix',
  'sewer-gas',
  'electrician',
  'switched-outlet',
  'stone-dust',
  'fire-stop',
  'frost',
  'machine-drain',
  'heater-off',
  'thermal-expansion',
  'mixer-hot-side',
  'lamp-unpowered',
  'water-hammer',
  'behind-the-wall',
  'heavy-tank',
  'restrictor-never-left-out',
  'one-wall',
  'no-metal-pipe',
  'ground-fault',
  'dry-hands',
  'no-insert-in-drain',
  'screws-evenly',
  'tap-nut',
  'by-hand',
  'no-tape-on-gaskets',
  'do-not-overtighten',
  'eyes',
  'clearance-lamp',
  'clearance',
  'clearance-front',
  'feed-closed',
  'codes-first',
];

/** The cautions that matter on this job, the weightiest first. */
export function tellingCautions(steps: readonly Pick<WorkStep, 'cautions'>[], most = 5): Caution[] {
  const here = new Set(steps.flatMap(({ cautions }) => cautions));
  return byWeight.filter((caution) => here.has(caution)).slice(0, most);
}
