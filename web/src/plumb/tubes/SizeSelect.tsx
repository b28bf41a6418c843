import { placeName } from '@katharos/contract';
import { boreMm, type ScheduledTube, type TubeSize, tubeSizes } from '@katharos/core';
import { NativeSelect } from '@mantine/core';
import { useJob } from '../../job/useJob.ts';
import { useChosenSystem } from '../../size/useChosenSystem.ts';

/**
 * Size of one tube. The way to the tap is part of the design, so another size there is a change of the design, and every figure
 * follows; any other tube is simply laid in it.
 */
export function SizeSelect({ tube }: { tube: ScheduledTube }) {
  const { edit } = useJob();
  const { system, choose, agreed } = useChosenSystem();
  const ofDesign = tube.to === 'tap' || tube.to === 'dispenser';
  const set = (size: TubeSize) => {
    if (ofDesign) {
      if (!system) return;
      const { design } = system;
      choose({ ...design, line: { ...design.line, innerDiameterMm: boreMm[size] } });
      return;
    }
    edit(({ plumb }) => ({ plumb: { ...plumb, sizes: { ...plumb.sizes, [tube.id]: size } } }));
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
