/** A pattern of LIKE for a text that is looked for anywhere, sign by sign. */
export const containing = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;
