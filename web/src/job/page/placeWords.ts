import type { FieldName } from '@katharos/job';
import { fieldWords, flushStepNames } from '@katharos/words';

const isField = (key: string): key is FieldName => Object.hasOwn(fieldWords, key);

/** A path of the document for people: the field's own label where it has one, else the last parts, spaced. */
export function placeWords(path: string): string {
  const flush = flushWords(path);
  if (flush) return flush;
  const keys = path.split('.').filter((key) => key !== 'value' && key !== 'unit');
  const field = keys.findLast(isField);
  if (field) return fieldWords[field].label;
  const spaced = keys
    .filter((key) => !['readings', 'details', 'survey'].includes(key))
    .join(' › ')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();
  return `“${spaced || 'the job'}”`;
}

/** A place in the record of a flush: the step, and what of it. */
function flushWords(path: string): string | null {
  const [section, part, id = ''] = path.split('.');
  if (section !== 'flush') return null;
  // A step that there are several of has its number behind its code.
  const known = Object.entries(flushStepNames).find(
    ([code]) => id === code || id.startsWith(`${code}-`),
  );
  const step = known ? `“${known[1]}”` : 'a step';
  switch (part) {
    case 'steps':
      return `${step} of the flush`;
    case 'notes':
      return `the note on ${step} of the flush`;
    case 'sanitise':
      return 'whether the system is sanitised';
    default:
      return 'the record of the flush';
  }
}
