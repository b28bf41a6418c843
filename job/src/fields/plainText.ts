/** Text of any script; not NUL and no half of a character, which no database holds and no browser shows. */
export const isPlainText = (text: string): boolean => !/[\0\p{Cs}]/u.test(text);
