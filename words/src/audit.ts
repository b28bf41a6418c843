import type { AuditCode, AuditEntry } from '@katharos/contract';
import { hasUnit } from '@katharos/core';
import {
  detailFields,
  type FieldName,
  type Patch,
  type QuantityField,
  type Stage,
  stages,
  surveyFields,
  visitFields,
} from '@katharos/job';
import { fieldWords } from './fields.ts';
import { roleNames } from './people.ts';
import type { Reader } from './reader.ts';
import { stageNames } from './stages.ts';

type Data = Record<string, unknown>;
const text = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';
const roleOf = (value: unknown): string =>
  typeof value === 'string' && value in roleNames
    ? roleNames[value as keyof typeof roleNames]
    : text(value);

const shelfWords: Readonly<Record<string, string>> = {
  open: 'brought back',
  archived: 'put away',
  removed: 'deleted',
};

/** What was done, behind who did it; the name is of what it was done to. */
const deeds: Record<AuditCode, (name: string, data: Data, reader: Reader) => string> = {
  'signed-in': () => 'signed in',
  'password-changed': () => 'changed the password',
  'password-reset': () => 'set a new password by the link',
  'reset-made': (name) => `made a link for a new password of ${name}`,
  'second-factor-set': () => 'set up a second factor',
  'second-factor-ended': (name) => `ended the second factor of ${name}`,
  'passkey-made': () => 'made a passkey',
  'passkey-removed': () => 'removed a passkey',
  'sessions-ended': () => 'ended other sessions',
  'firm-set-up': (name) => `set up ${name}`,
  'settings-changed': () => 'changed how the firm works',
  'person-invited': (_name, { name, role }, reader) =>
    `invited ${text(name)} as ${reader.within(roleOf(role))}`,
  'invitation-withdrawn': (_name, { name }) => `took back the invitation of ${text(name)}`,
  'person-joined': () => 'joined the firm',
  'role-changed': (name, { before, after }, reader) =>
    `made ${name} ${reader.within(roleOf(after))} instead of ${reader.within(roleOf(before))}`,
  'person-removed': (name) => `let ${name} go`,
  'job-begun': (name) => `began the job ${name}`,
  'job-opened-from-file': (name) => `opened ${name} from a file`,
  'job-changed': (name) => `changed ${name}`,
  'job-shelved': (name, { shelf }) => `${shelfWords[text(shelf)] ?? 'moved'}: ${name}`,
  'photograph-added': (name) => `added a photograph to ${name}`,
  'photograph-changed': (name) => `changed what is said of a photograph of ${name}`,
  'photograph-removed': (name) => `took a photograph of ${name} away`,
  'photograph-restored': (name) => `brought a photograph of ${name} back`,
  'paper-issued': (name, { kind, version }) =>
    `issued ${text(kind)} version ${text(version)} for ${name}`,
  'household-page-made': (name) => `made the household’s page of ${name}`,
  'household-page-ended': (name) => `ended the household’s page of ${name}`,
  'household-said': (name) => `wrote on the page of ${name}`,
  'letters-written': (_name, { written }) => `wrote ${text(written)} letters`,
  'calendar-made': () => 'made their calendar’s address',
  'calendar-ended': () => 'ended their calendar’s address',
  'part-added': (name) => `added ${name} to the catalogue`,
  'part-changed': (name) => `changed ${name} in the catalogue`,
  'part-retired': (name) => `retired ${name}`,
  'part-restored': (name) => `took ${name} back into use`,
  'price-noted': (name, { supplier, price }, reader) =>
    `noted ${typeof price === 'number' ? reader.money(price, 2) : ''} of ${text(supplier)} for ${name}`,
  'price-removed': (name) => `took a price of ${name} out`,
  'stock-counted': (name, { quantity, place }) =>
    `counted ${text(quantity)} of ${name} in ${text(place) || 'the van'}`,
  'stock-taken': (name) => `took parts out of the van for ${name}`,
  'stock-put-back': (name) => `put the parts of ${name} back into the van`,
  'stock-moved': (name, { to }) => `moved parts from ${name} to ${text(to)}`,
  'minimum-set': (name, { minimum, place }) =>
    `wants no less than ${text(minimum)} of ${name} in ${text(place)}`,
  'place-added': (name) => `added ${name} to where parts are kept`,
  'place-changed': (name) => `changed ${name}, where parts are kept`,
  'place-removed': (name) => `removed ${name}, where parts were kept`,
  'instrument-kept': (name) => `changed the instrument ${name}`,
  'calibration-noted': (name) => `calibrated ${name}`,
  'archive-saved': () => 'took the whole firm along as a file',
  'customer-removed': () => 'removed a household’s data at their request',
};

/** An entry of the log as a sentence. */
export function auditSentence({ code, content }: AuditEntry, reader: Reader): string {
  if (!content) return 'What stood here was taken out for somebody’s sake.';
  return `${content.by} ${deeds[code](content.name, content.data, reader)}.`;
}

const isReading = (value: unknown): value is { value: number; unit: string } =>
  typeof value === 'object' && value !== null && 'value' in value && 'unit' in value;

const fields: Readonly<Record<string, QuantityField>> = {
  ...surveyFields,
  ...detailFields,
  ...visitFields,
};

const said = (value: unknown, path: readonly string[], reader: Reader): string => {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (isReading(value)) {
    const field = path.map((key) => fields[key]).findLast((one) => one !== undefined);
    return field && hasUnit(field.dimension, value.unit)
      ? reader.entered(field.dimension, value)
      : `${reader.plainNumber(value.value)} ${value.unit}`;
  }
  if (typeof value === 'object') return 'something else';
  return text(value) || (value ? 'yes' : 'no');
};

/** Where a value stands, as a person would say: a field by its name, everything else by its stage. */
function placeOf(path: readonly string[]): string {
  const field = path.findLast((key) => key in fieldWords);
  if (field) return fieldWords[field as FieldName].label;
  const [area = ''] = path;
  if (area === 'customer') return `Customer, ${path[1] ?? ''}`;
  if ((stages as readonly string[]).includes(area)) return stageNames[area as Stage];
  return area === 'system' ? 'The chosen system' : area === 'service' ? 'A visit' : area;
}

/** What a change of a job was, a line for each value that a person would name; the rest by its place. */
export function changedLines(entry: AuditEntry, reader: Reader): string[] {
  if (entry.code !== 'job-changed' || !entry.content) return [];
  const patches = (entry.content.data.patches ?? []) as Patch[];
  const lines = patches.map(({ path, before, after }) => {
    const isPlain = [before, after].every(
      (value) => typeof value !== 'object' || value === null || isReading(value),
    );
    return isPlain
      ? `${placeOf(path)}: ${said(before, path, reader)} → ${said(after, path, reader)}`
      : placeOf(path);
  });
  return [...new Set(lines)];
}
