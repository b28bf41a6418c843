import type { CataloguePart } from '@katharos/contract';
import { fittingRoles, portSizes } from '@katharos/core';
import type { PartField } from '@katharos/job';
import { fittingRoleWords } from '@katharos/words';
import { Group, NativeSelect, Text } from '@mantine/core';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { EditedList, TakeOut } from './EditedList.tsx';

type ListField = PartField & { type: 'list' };
type Item = string | Record<string, unknown>;

const keyOf = { part: 'id', role: 'role', size: 'size' } as const;
const countOf = { pieces: 'quantity', metres: 'lengthM' } as const;

interface Props {
  field: ListField;
  label: string;
  value: unknown;
  fault: string | undefined;
  entries: readonly CataloguePart[];
  readOnly: boolean;
  onChange: (items: Item[]) => void;
}

/** What a unit or a kit holds: parts, fittings or tube, with how many of each. */
export function HeldEditor({ field, label, value, fault, entries, readOnly, onChange }: Props) {
  const { of, count } = field;
  const items = Array.isArray(value) ? (value as Item[]) : [];
  const nameOf = (item: Item): string =>
    typeof item === 'string' ? item : String(item[keyOf[of]]);
  const choices = choicesOf(of, entries).filter(
    ({ value: one }) => !items.some((item) => nameOf(item) === one),
  );
  const labelOf = (name: string) =>
    choicesOf(of, entries).find(({ value: one }) => one === name)?.label ?? name;
  const add = (name: string) =>
    onChange([...items, count === 'none' ? name : { [keyOf[of]]: name, [countOf[count]]: 1 }]);
  return (
    <EditedList
      label={label}
      fault={fault}
      readOnly={readOnly}
      rows={items.map((item, i) => (
        <Group key={nameOf(item)} gap="xs" wrap="nowrap">
          <Text style={{ flex: 1, minWidth: 0 }}>{labelOf(nameOf(item))}</Text>
          {count !== 'none' && (
            <MeasureInput
              aria-label={`How ${count === 'metres' ? 'much' : 'many'}: ${labelOf(nameOf(item))}`}
              keptAs={`${field.path}-${nameOf(item)}`}
              w={110}
              measure={
                count === 'metres'
                  ? { dimension: 'length', range: { min: 0.1, max: 100 } }
                  : { dimension: 'count', range: { min: 1, max: 100 }, whole: true }
              }
              value={(item as Record<string, number>)[countOf[count]]}
              wanted="1 or more."
              readOnly={readOnly}
              onCommit={(next) => {
                if (next === undefined) return;
                onChange(
                  items.map((one, at) =>
                    at === i ? { ...(one as object), [countOf[count]]: next } : one,
                  ),
                );
              }}
            />
          )}
          <TakeOut
            label={`Take ${labelOf(nameOf(item))} out`}
            onClick={() => onChange(items.filter((_, at) => at !== i))}
          />
        </Group>
      ))}
    >
      {!readOnly && choices.length > 0 && (
        <NativeSelect
          aria-label={`Add to: ${label}`}
          size="md"
          value=""
          data={[{ value: '', label: 'Add …' }, ...choices]}
          onChange={({ currentTarget: { value: name } }) => {
            if (name) add(name);
          }}
        />
      )}
    </EditedList>
  );
}

function choicesOf(
  of: ListField['of'],
  entries: readonly CataloguePart[],
): { value: string; label: string }[] {
  switch (of) {
    case 'part':
      return entries
        .filter(({ part, retiredAt }) => part.kind !== 'kit' && retiredAt === null)
        .map(({ part }) => ({ value: part.id, label: part.name }));
    case 'role':
      return fittingRoles.map((value) => ({ value, label: fittingRoleWords[value] }));
    case 'size':
      return portSizes.map((value) => ({ value, label: `Tube ${value}` }));
  }
}
