import type { FieldName, SchemaFault } from '@katharos/job';
import type { z } from 'zod';
import { fieldWords } from './fields.ts';

const brief = (value: unknown): string => {
  const text = typeof value === 'string' ? `"${value}"` : (JSON.stringify(value) ?? String(value));
  return text.length > 40 ? `${text.slice(0, 40)}…` : text;
};

const expectations: Record<string, string> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
};

const formats: Record<string, string> = {
  datetime: 'a date and time in ISO 8601, such as 2026-03-01T09:00:00Z',
  uuid: 'an id',
  email: 'an e-mail address',
};

/**
 * A sentence for what a schema found wrong, for schemas that bring none of their own: what was expected, and what came.
 * Given to Zod with each parse, so that nothing global is set.
 */
const issueSentence: z.core.$ZodErrorMap = (issue) => {
  const came = issue.input === undefined ? 'nothing came' : `${brief(issue.input)} came`;
  switch (issue.code) {
    case 'invalid_type':
      return `This must be ${expectations[issue.expected] ?? issue.expected}; ${came}.`;
    case 'too_small':
      return issue.origin === 'string'
        ? 'This must not be empty.'
        : `This must be ${String(issue.minimum)} or more; ${came}.`;
    case 'too_big':
      return issue.origin === 'string'
        ? `This must not be longer than ${String(issue.maximum)} characters.`
        : `This must be ${String(issue.maximum)} or less; ${came}.`;
    case 'invalid_format':
      return `This must be ${formats[issue.format] ?? `of the form ${issue.format}`}; ${came}.`;
    case 'invalid_value':
      return `This must be ${issue.values.map(brief).join(' or ')}; ${came}.`;
    case 'unrecognized_keys':
      return `There is no such field: ${issue.keys.join(', ')}.`;
    default:
      return 'This is not as it must be.';
  }
};

type PlainFault = Exclude<SchemaFault, `${string}:${string}`>;

const faultWords: Record<PlainFault, string> = {
  'customer-missing': 'A job needs the name of a customer or a place.',
  'reason-missing': 'Say in a few words why, for whoever comes after.',
  'no-job-file': 'This is not a job file.',
  'currency-form': 'A currency is three capital letters, such as EUR.',
  'curve-falls': 'The points of a pump curve must rise in flow.',
  'route-no-length': 'A route is a length.',
  'email-form': 'Enter an e-mail address, such as name@firm.example.',
  'password-missing': 'Enter the password.',
  'passkey-name-missing': 'Enter what you call this device.',
  'password-short': 'Use at least twelve characters.',
  'setup-code-missing': 'Enter the setup code that the server printed.',
  'firm-missing': 'Enter the name of the firm.',
  'person-missing': 'Enter your name.',
  'nothing-to-take': 'There is nothing to take.',
  'instrument-name-missing': 'Enter a name by which you know it.',
  'full-scale-missing': 'A gauge’s accuracy is a share of its full scale: enter that.',
  'reference-missing': 'Say what it was held against.',
  'supplier-missing': 'Enter who sells it at this price.',
  'place-unnamed': 'Enter a name, such as “Van 2” or “Store at the yard”.',
  'same-place': 'Choose another place than the one that the parts come from.',
  'part-twice': 'A part stands here twice. Put it on one line.',
  unprintable: 'This holds characters that are no text. Type it anew, or paste it as plain text.',
};

const fieldFaults: Record<'unit' | 'outside', (field: FieldName) => string> = {
  unit: (field) => `${fieldWords[field].label} cannot be given in this unit.`,
  outside: (field) =>
    `${fieldWords[field].label} lies outside what is possible. ${fieldWords[field].outside}`,
};

const isKey = <T extends object>(table: T, key: string): key is keyof T & string =>
  Object.hasOwn(table, key);

/** A schema's own fault in words; what is a sentence already stays. */
function faultSentence(message: string): string {
  if (isKey(faultWords, message)) return faultWords[message];
  const [kind, field] = message.split(':', 2) as [string, string | undefined];
  return field !== undefined && isKey(fieldFaults, kind) && isKey(fieldWords, field)
    ? fieldFaults[kind](field)
    : message;
}

/** What is wrong with an input, and where. */
export interface InputFault {
  /** Names joined by points; empty for the whole. */
  path: string;
  sentence: string;
  /** Zod's own code of it. */
  code: string;
}

/** An input held against its schema: its value, or what is wrong with it in sentences, the first first. */
export function checkInput<S extends z.ZodType>(
  schema: S,
  input: unknown,
): { ok: true; value: z.output<S> } | { ok: false; faults: [InputFault, ...InputFault[]] } {
  const parsed = schema.safeParse(input, { error: issueSentence });
  if (parsed.success) return { ok: true, value: parsed.data };
  const faults = parsed.error.issues.map((issue) => ({
    path: [
      ...issue.path,
      ...(issue.code === 'unrecognized_keys' ? issue.keys.slice(0, 1) : []),
    ].join('.'),
    sentence: faultSentence(issue.message),
    code: issue.code,
  }));
  return { ok: false, faults: faults as [InputFault, ...InputFault[]] };
}
