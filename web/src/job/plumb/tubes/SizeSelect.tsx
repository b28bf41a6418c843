import { placeName } from '@katharos/words';
import {
  boreMm,
  type InstalledSystem,
  isUltravioletLine,
  type ScheduledTube,
  type TubeSize,
  tubeSizes,
} from '@katharos/core';
import { useEdit } from '../../open/useJob.ts';
import { useChosenSystem } from '../../open/useChosenSystem.ts';
import { NativeSelect } from '@mantine/core';

/** The design with a tube in another size, where that tube is one of those that were simulated; null for any other tube. */
function resized(
  design: InstalledSystem,
  { to }: ScheduledTube,
  size: TubeSize,
): InstalledSystem | null {
  const innerDiameterMm = boreMm[size];
  if (to === 'tap' || to === 'dispenser')
    return { ...design, line: { ...design.line, innerDiameterMm } };
  if (isUltravioletLine(design)) return null;
  const branch = design.branches.find(({ kind }) => to === kind);
  if (!branch) return null;
  const branches = design.branches.map((one) =>
    one === branch ? { ...one, innerDiameterMm } : one,
  );
  return { ...design, branches };
}

/**
 * Size of one tube. The ways to tap and branches are part of the design, so another size there is a change of the design, and every
 * figure follows; any other tube is simply laid in it.
 */
export function SizeSelect({ tube }: { tube: ScheduledTube }) {
  const { edit } = useEdit();
  const { system, choose, agreed } = useChosenSystem();
  const ofDesign = system !== null && resized(system.design, tube, tube.size) !== null;
  const set = (size: TubeSize) => {
    const design = system && resized(system.design, tube, size);
    if (design) choose(design);
    else edit(({ plumb }) => ({ plumb: { ...plumb, sizes: { ...plumb.sizes, [tube.id]: size } } }));
  };
  return (
    <NativeSelect
      aria-label={`Size of the tube from ${placeName(tube.from)} to ${placeName(tube.to)}`}
      size="sm"
      w={86}
      data={[...tubeSizes]}
      value={tube.size}
      disabled={ofDesign && agreed !== null}
      title={ofDesign && agreed ? 'Part of the agreed design: open the agreement first' : undefined}
      onChange={(event) => set(event.currentTarget.value as TubeSize)}
    />
  );
}
