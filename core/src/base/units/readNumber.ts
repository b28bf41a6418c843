/** A number as it was written at the beginning of a text. */
export interface ReadNumber {
  value: number;
  /** The other thing that it may mean: "1,200" is twelve hundred, or 1.2 with a decimal comma. Null where it is told plainly. */
  otherwise: number | null;
  /** What follows it. */
  rest: string;
}

/** The sign before the decimals, where a text alone does not tell. */
export type DecimalSign = '.' | ',';

/** Vulgar fractions are one character; a blank keeps "3½" from becoming 31/2. */
const vulgarFraction = /(?<=\d)(?=[\u00bc-\u00be\u2150-\u215e\u2189])/g;

/** The value of a decimal digit of any script: digits stand in rows of ten. */
function digitOf(character: string): string {
  const point = character.codePointAt(0)!;
  let zero = point;
  while (zero > point - 9 && /\p{Nd}/u.test(String.fromCodePoint(zero - 1))) zero--;
  return String(point - zero);
}

/**
 * One spelling for what keyboards, copies and scripts write in many: plain digits, blanks, dashes, quotes and points. What a text says is
 * not changed.
 */
export const plainly = (text: string): string =>
  text
    .replace(vulgarFraction, ' ')
    .normalize('NFKC')
    .replace(/[\u200e\u200f\u061c\u2060\ufeff]/g, '')
    .replace(/\p{Nd}/gu, (digit) => (digit >= '0' && digit <= '9' ? digit : digitOf(digit)))
    .replace(/\u066b/g, ',')
    .replace(/[\u2018\u2019\u02bc\u2032\u066c\u00b4`]/g, "'")
    .replace(/''|[\u201c\u201d]/g, '"')
    .replace(/[\u2010-\u2015\u2212]/g, '-')
    .replace(/\u2044/g, '/')
    .replace(/\s+/g, ' ')
    .trim();

const sign = '([+-]? ?)';
const fraction = '(\\d+) ?/ ?([1-9]\\d*)(?!\\d)';
const mixed = new RegExp(`^${sign}(\\d+)[ -]${fraction}`);
const simple = new RegExp(`^${sign}${fraction}`);
/** Groups of three that only a blank or an apostrophe, or more than one sign, makes certain; nothing begins a group with 0. */
const certainGroups = [
  /^[1-9]\d{0,2}(?: \d{3})+(?:[.,]\d+)?(?![\d/])/,
  /^[1-9]\d{0,2}(?:'\d{3})+(?:[.,]\d+)?(?!\d)/,
  /^[1-9]\d{0,2}(?:,\d{3})+\.\d+/,
  /^[1-9]\d{0,2}(?:\.\d{3})+,\d+/,
  /^[1-9]\d{0,2}(?:,\d{3}){2,}/,
  /^[1-9]\d{0,2}(?:\.\d{3}){2,}/,
  /^[1-9]\d?(?:,\d{2})+,\d{3}(?:\.\d+)?/,
];
const oneGroup = /^[1-9]\d{0,2}([.,])\d{3}(?![\d.,e])/i;
const plain = /^(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?/i;

/** A number that has no sign of its own. */
function unsigned(text: string, decimal: DecimalSign): ReadNumber | undefined {
  for (const pattern of certainGroups) {
    const found = pattern.exec(text);
    if (!found) continue;
    const [digits] = found;
    // The last sign stands before decimals only where it is not the one between the groups.
    const [group] = /[^\d]/.exec(digits)!;
    const value = Number(digits.replaceAll(group, '').replace(',', '.'));
    return { value, otherwise: null, rest: text.slice(digits.length) };
  }
  const one = oneGroup.exec(text);
  if (one) {
    const [digits, between] = one;
    const grouped = Number(digits.replace(between!, ''));
    const fractional = Number(digits.replace(between!, '.'));
    const [value, otherwise] = between === decimal ? [fractional, grouped] : [grouped, fractional];
    return { value, otherwise, rest: text.slice(digits.length) };
  }
  const found = plain.exec(text);
  if (!found) return undefined;
  const value = Number(found[0].replace(',', '.'));
  return Number.isFinite(value)
    ? { value, otherwise: null, rest: text.slice(found[0].length) }
    : undefined;
}

/**
 * Reads the number that a text begins with, as people write them: decimal comma or point, thousands by blanks, apostrophes, commas or
 * points, "3½", "30-1/2", true minus, any script's digits. Takes a text that went through `plainly`. Where one group of three digits may
 * be thousands or decimals, both readings are given, first that of the `decimal` sign.
 */
export function readNumber(text: string, decimal: DecimalSign = '.'): ReadNumber | undefined {
  const broken = mixed.exec(text) ?? simple.exec(text);
  if (broken) {
    const [whole, over, under] =
      broken.length === 5 ? [broken[2], broken[3], broken[4]] : ['0', broken[2], broken[3]];
    const value = Number(whole) + Number(over) / Number(under);
    return {
      value: broken[1]!.startsWith('-') ? -value : value,
      otherwise: null,
      rest: text.slice(broken[0].length),
    };
  }
  const [lead] = new RegExp(`^${sign}`).exec(text)!;
  const found = unsigned(text.slice(lead.length), decimal);
  // "1.2.3" and "12,5,1" are no numbers with something behind them.
  if (!found || /^[.,]?\d|^[.,'][.,']/.test(found.rest)) return undefined;
  if (!lead.startsWith('-')) return found;
  const { value, otherwise, rest } = found;
  return { value: 0 - value, otherwise: otherwise === null ? null : -otherwise, rest };
}
