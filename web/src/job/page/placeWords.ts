import type { FieldName } from '@katharos/job';
import { fieldWords } from '@katharos/words';

const isField = (key: string): key is FieldName => Object.hasOwn(fieldWords, key);

/** A path of the document for people: the field's own label where it has one, else the last parts, spaced. */
export function placeWords(path: string): string {
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
