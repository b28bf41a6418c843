import type { CataloguePart } from '@katharos/contract';
import type { PartKind } from '@katharos/core';
import {
  isAsked,
  type PartField,
  partFields,
  partValue,
  roomFields,
  withPartValue,
} from '@katharos/job';
import { choiceName, measureOf, partFieldWords } from '@katharos/words';
import {
  Checkbox,
  NativeSelect,
  SimpleGrid,
  Stack,
  Textarea,
  TextInput,
  Title,
} from '@mantine/core';
import { useReader } from '../ui/useReader.ts';
import { MeasureInput } from '../ui/typed/MeasureInput.tsx';
import { CurveEditor } from './CurveEditor.tsx';
import { HeldEditor } from './HeldEditor.tsx';

export type Values = Record<string, unknown>;

interface Props {
  kind: PartKind;
  part: Values;
  /** By path. */
  faults: Readonly<Record<string, string>>;
  entries: readonly CataloguePart[];
  readOnly: boolean;
  onChange: (part: Values) => void;
}

const roomPaths = new Set<string>(roomFields.map(({ path }) => path));

/** A part's figures as its data sheet gives them, field by field from the one table of what a kind has. */
export function PartForm({ kind, part, faults, entries, readOnly, onChange }: Props) {
  const reader = useReader();
  const fields = partFields(kind).filter((field) => isAsked(field, part));
  const set = (path: string, value: unknown) => onChange(withPartValue(part, path, value));
  const shown = (wanted: (path: string) => boolean) =>
    fields
      .filter(({ path }) => wanted(path))
      .map((field) => (
        <Field
          key={field.path}
          field={field}
          label={partFieldWords[field.path]}
          value={partValue(part, field.path)}
          fault={faultOf(faults, field.path)}
          entries={entries}
          readOnly={readOnly}
          onChange={(value) => set(field.path, value)}
        />
      ));
  return (
    <fieldset disabled={readOnly} style={{ border: 0, padding: 0, margin: 0, minWidth: 0 }}>
      <Stack gap="sm">
        <SimpleGrid cols={{ base: 1, xs: 2 }}>
          <TextInput
            label="Name"
            size="md"
            required
            value={typeof part.name === 'string' ? part.name : ''}
            error={faults.name}
            onChange={({ currentTarget: { value } }) => set('name', value)}
          />
          <MeasureInput
            label="Price to the customer"
            keptAs="price"
            measure={{
              dimension: 'count',
              range: { min: 0, max: 100000 },
              symbol: reader.currency,
            }}
            value={typeof part.price === 'number' ? part.price : undefined}
            fault={faults.price}
            wanted="0 where it is given away."
            onCommit={(price) => set('price', price)}
          />
        </SimpleGrid>
        <SimpleGrid cols={{ base: 1, xs: 2 }}>{shown((path) => !roomPaths.has(path))}</SimpleGrid>
        <details open={fields.some(({ path }) => roomPaths.has(path) && faultOf(faults, path))}>
          <summary style={{ minHeight: 44 }}>
            <Title order={3} size="h5" component="span">
              Size, and the room that it asks for
            </Title>
          </summary>
          <SimpleGrid cols={{ base: 1, xs: 2 }}>{shown((path) => roomPaths.has(path))}</SimpleGrid>
        </details>
      </Stack>
    </fieldset>
  );
}

/** What is wrong at a field, or within what it holds. */
const faultOf = (faults: Props['faults'], path: string): string | undefined =>
  faults[path] ?? Object.entries(faults).find(([at]) => at.startsWith(`${path}.`))?.[1];

interface FieldProps {
  field: PartField;
  label: string;
  value: unknown;
  fault: string | undefined;
  entries: readonly CataloguePart[];
  readOnly: boolean;
  onChange: (value: unknown) => void;
}

const wide = { gridColumn: '1 / -1' } as const;

function Field({ field, label, value, fault, entries, readOnly, onChange }: FieldProps) {
  switch (field.type) {
    case 'measure':
      return (
        <MeasureInput
          label={label}
          keptAs={field.path}
          measure={measureOf(field)}
          value={typeof value === 'number' ? value : undefined}
          fault={fault}
          readOnly={readOnly}
          description={field.optional ? 'Empty where its sheet does not say.' : undefined}
          onCommit={onChange}
        />
      );
    case 'choice':
      return (
        <NativeSelect
          label={label}
          size="md"
          value={typeof value === 'string' ? value : ''}
          error={fault}
          data={[
            ...(field.optional ? [{ value: '', label: '–' }] : []),
            ...field.options.map((one) => ({ value: one, label: choiceName(field.path, one) })),
          ]}
          onChange={({ currentTarget: { value: next } }) => onChange(next || undefined)}
        />
      );
    case 'flag':
      return (
        <Checkbox
          label={label}
          size="md"
          py={10}
          style={{ alignSelf: 'end' }}
          checked={value === true}
          onChange={({ currentTarget: { checked } }) => onChange(checked)}
        />
      );
    case 'text':
      return (
        <Textarea
          style={wide}
          label={label}
          size="md"
          autosize
          maxRows={5}
          value={typeof value === 'string' ? value : ''}
          error={fault}
          onChange={({ currentTarget: { value: next } }) => onChange(next)}
        />
      );
    case 'points':
      return (
        <div style={wide}>
          <CurveEditor
            label={label}
            value={value}
            fault={fault}
            readOnly={readOnly}
            onChange={onChange}
          />
        </div>
      );
    case 'list':
      return (
        <div style={wide}>
          <HeldEditor
            field={field}
            label={label}
            value={value}
            fault={fault}
            entries={entries}
            readOnly={readOnly}
            onChange={onChange}
          />
        </div>
      );
  }
}
