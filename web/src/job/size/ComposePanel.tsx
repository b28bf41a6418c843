import { type Part, partsOf, type PartKind, type SystemDesign } from '@katharos/core';
import { useSizing } from '../open/sizingContext.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { NativeSelect, SimpleGrid, Text, Title } from '@mantine/core';

/** Any system put together part by part: what the search would not try can be tried here, and judged all the same. */
export function ComposePanel({
  design,
  onChange,
}: {
  design: SystemDesign;
  onChange: (design: SystemDesign) => void;
}) {
  const { catalogue } = useSizing();
  const { agreed } = useChosenSystem();
  const change = (next: Partial<SystemDesign>) => onChange({ ...design, ...next });
  const slot = <K extends PartKind>(
    label: string,
    kind: K,
    part: Part | null,
    onPick: (part: Extract<Part, { kind: K }> | null) => void,
    none?: string,
  ) => {
    const parts = partsOf(catalogue, kind);
    // A part that has left the catalogue still stands in the system that was chosen with it.
    const gone = part && !parts.some(({ id }) => id === part.id) ? [part] : [];
    return (
      <NativeSelect
        key={label}
        label={label}
        size="md"
        disabled={agreed !== null}
        data={[
          ...(none === undefined ? [] : [{ value: '', label: none }]),
          ...[...gone, ...parts].map(({ id, name }) => ({ value: id, label: name })),
        ]}
        value={part?.id ?? ''}
        onChange={(event) => {
          const id = event.currentTarget.value;
          onPick(parts.find((one) => one.id === id) ?? null);
        }}
      />
    );
  };
  const banks = [1, 2, 3].flatMap((elements) =>
    (elements === 1 ? (['series'] as const) : (['series', 'parallel'] as const)).map(
      (arrangement) => ({ elements, arrangement }),
    ),
  );
  const bankKey = (bank: Pick<SystemDesign, 'elements' | 'arrangement'>) =>
    `${bank.elements} ${bank.arrangement}`;
  return (
    <section className="panel" aria-label="Compose">
      <Title order={3} size="h4">
        Compose by hand
      </Title>
      <Text size="sm" c="dimmed" mb="sm">
        {agreed
          ? 'Agreed: open the agreement to change a part.'
          : 'Every change is taken over at once, judged above, and can be taken back with undo.'}
      </Text>
      <SimpleGrid cols={{ base: 1, sm: 2, lg: 3 }} verticalSpacing="sm">
        {slot('Kit', 'kit', design.kit, (kit) => change({ kit }), 'bought part by part')}
        {slot('Unit', 'unit', design.unit, (unit) => change({ unit }), 'put together loosely')}
        {slot(
          'Membrane',
          'membrane',
          design.membrane,
          (membrane) => membrane && change({ membrane }),
        )}
        <NativeSelect
          label="Elements"
          size="md"
          disabled={agreed !== null}
          data={banks.map((bank) => ({
            value: bankKey(bank),
            label: bank.elements === 1 ? 'one' : `${bank.elements}, in ${bank.arrangement}`,
          }))}
          value={bankKey(design.elements === 1 ? { elements: 1, arrangement: 'series' } : design)}
          onChange={(event) => {
            const bank = banks.find((one) => bankKey(one) === event.currentTarget.value);
            if (bank) change(bank);
          }}
        />
        {slot(
          'Restrictor',
          'restrictor',
          design.restrictor,
          (restrictor) => restrictor && change({ restrictor }),
        )}
        {slot('Booster pump', 'pump', design.pump, (pump) => change({ pump }), 'none')}
        {slot(
          'Solenoid valve',
          'solenoid',
          design.solenoid,
          (solenoid) => change({ solenoid }),
          'none',
        )}
        {slot(
          'Shut-off valve',
          'shutoff',
          design.shutoff,
          (shutoff) => change({ shutoff }),
          'built in, or none',
        )}
        {slot(
          'Permeate pump',
          'permeate-pump',
          design.permeatePump,
          (permeatePump) => change({ permeatePump }),
          'none',
        )}
        {slot(
          'Tank',
          'tank',
          design.tank,
          (tank) => change(tank ? { tank } : { tank: null, permeatePump: null }),
          'none: direct flow',
        )}
        {slot(
          'Post filter',
          'post-filter',
          design.postFilter,
          (postFilter) => change({ postFilter }),
          'none',
        )}
        {slot(
          'Minerals',
          'mineral',
          design.mineral?.part ?? null,
          (part) =>
            change({
              mineral: part && {
                part,
                place: design.mineral?.place ?? (design.tank ? 'before-tank' : 'after-tank'),
              },
            }),
          'none',
        )}
        {design.mineral && (
          <NativeSelect
            label="Minerals stand"
            size="md"
            disabled={agreed !== null}
            data={[
              { value: 'before-tank', label: 'ahead of the tank' },
              { value: 'after-tank', label: 'on the way to the tap' },
            ]}
            value={design.mineral.place}
            onChange={(event) =>
              change({
                mineral: design.mineral && {
                  ...design.mineral,
                  place: event.currentTarget.value === 'before-tank' ? 'before-tank' : 'after-tank',
                },
              })
            }
          />
        )}
        {slot('Ultraviolet', 'lamp', design.lamp, (lamp) => change({ lamp }), 'none')}
        {slot('Tap', 'tap', design.tap, (tap) => tap && change({ tap }))}
      </SimpleGrid>
    </section>
  );
}
