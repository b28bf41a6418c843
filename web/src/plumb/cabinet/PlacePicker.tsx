import { hasOwnTank, type Plumbing } from '@katharos/contract';
import type { InstalledSystem } from '@katharos/core';
import { Group, Input, SegmentedControl } from '@mantine/core';
import { usePlaces, usualCupboard, usualRemote } from './usePlaces.ts';

/** Where unit and tank stand: here, next door, or elsewhere in the house. */
export function PlacePicker({
  plumbing: { cabinet },
  system,
}: {
  plumbing: Plumbing;
  system: InstalledSystem;
}) {
  const { remote, nextCupboard, setRemote, setNextCupboard } = usePlaces();
  return (
    <Group className="no-print" align="flex-end" mb="sm">
      <Input.Wrapper label="The unit stands">
        <div>
          <SegmentedControl
            aria-label="The unit stands"
            size="md"
            value={remote ? 'elsewhere' : 'here'}
            onChange={(value) => setRemote(value === 'elsewhere' ? usualRemote : null)}
            data={[
              { value: 'here', label: 'In the cabinet' },
              { value: 'elsewhere', label: 'In the cellar or behind the wall' },
            ]}
          />
        </div>
      </Input.Wrapper>
      {!remote && hasOwnTank(system) && (
        <Input.Wrapper label="The tank stands">
          <div>
            <SegmentedControl
              aria-label="The tank stands"
              size="md"
              value={nextCupboard ? 'next' : 'here'}
              onChange={(value) =>
                setNextCupboard(value === 'next' ? usualCupboard(cabinet) : null)
              }
              data={[
                { value: 'here', label: 'Beside the unit' },
                { value: 'next', label: 'In the next cupboard' },
              ]}
            />
          </div>
        </Input.Wrapper>
      )}
    </Group>
  );
}
