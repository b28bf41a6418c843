import type { z } from 'zod';

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
export const issueSentence: z.core.$ZodErrorMap = (issue) => {
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
