import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

/** Letters that the papers' own face has not, by the face that has them. */
const scripts = [
  ['Han', /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\u3000-\u303f\uff00-\uffef]/u],
  ['Arabic', /[\p{Script=Arabic}]/u],
  ['Emoji', /\p{Extended_Pictographic}|\p{Emoji_Modifier}|\p{Regional_Indicator}|\u200d|\ufe0f/u],
] as const;
type Face = (typeof scripts)[number][0] | null;

const faceOf = (character: string): Face =>
  // Signs that every face has are left to the papers' own.
  /[\u00a9\u00ae\u2122\u2194-\u21ff]/.test(character)
    ? null
    : (scripts.find(([, letters]) => letters.test(character))?.[0] ?? null);

/** A text as runs of one face each; what stands between two words of a face belongs to it. */
export function runsOf(text: string): { text: string; font?: string }[] {
  const runs: { face: Face; text: string }[] = [];
  for (const character of text) {
    const face = faceOf(character);
    const last = runs.at(-1);
    if (last && last.face === face) last.text += character;
    else runs.push({ face, text: character });
  }
  for (let i = 1; i < runs.length - 1; i += 1) {
    const [before, between, after] = [runs[i - 1]!, runs[i]!, runs[i + 1]!];
    if (before.face && before.face === after.face && /^\s+$/.test(between.text)) {
      before.text += between.text + after.text;
      runs.splice(i, 2);
      i -= 1;
    }
  }
  return runs.map(({ face, text: run }) => {
    if (face === null) return { text: run };
    // Words that are written from the right are set one by one from the left: the last comes first.
    return { text: face === 'Arabic' ? run.split(' ').reverse().join(' ') : run, font: face };
  });
}

const isForeign = (text: string): boolean =>
  Array.from(text).some((character) => faceOf(character) !== null);

/** A document in which every text is set in a face that has its letters. */
export function inAllScripts(document: TDocumentDefinitions): TDocumentDefinitions {
  const { footer } = document;
  return {
    ...document,
    content: walked(document.content) as Content,
    ...(typeof footer === 'function'
      ? { footer: (...page) => walked(footer(...page)) as Content }
      : {}),
  };
}

function walked(value: unknown): unknown {
  if (typeof value === 'string') return isForeign(value) ? { text: runsOf(value) } : value;
  if (Array.isArray(value)) return value.map(walked);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => {
      if (key === 'text' && typeof inner === 'string') {
        return [key, isForeign(inner) ? runsOf(inner) : inner];
      }
      return [key, holdsContent.has(key) ? walked(inner) : inner];
    }),
  );
}

/** Names under which further content stands; pictures, layouts and sizes are left alone. */
const holdsContent = new Set(['text', 'stack', 'columns', 'table', 'body', 'ul', 'ol', 'content']);
