import { hasOwnTank, type Plumbing, type InstalledSystem } from '@katharos/core';
import { usePlaces, usualCupboard, usualRemote } from './usePlaces.ts';
import { NativeSelect, SimpleGrid } from '@mantine/core';

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
    <SimpleGrid cols={{ base: 1, sm: 2, md: 3 }} className="no-print" mb="sm">
      <NativeSelect
        label="The unit stands"
        size="md"
        value={remote ? 'elsewhere' : 'here'}
        onChange={(event) =>
          setRemote(event.currentTarget.value === 'elsewhere' ? usualRemote : null)
        }
        data={[
          { value: 'here', label: 'in the cabinet' },
          { value: 'elsewhere', label: 'in the cellar or behind the wall' },
        ]}
      />
      {!remote && hasOwnTank(system) && (
        <NativeSelect
          label="The tank stands"
          size="md"
          value={nextCupboard ? 'next' : 'here'}
          onChange={(event) =>
            setNextCupboard(event.currentTarget.value === 'next' ? usualCupboard(cabinet) : null)
          }
          data={[
            { value: 'here', label: 'beside the unit' },
            { value: 'next', label: 'in the next cupboard' },
          ]}
        />
      )}
    </SimpleGrid>
  );
}
