/** What may still be open when a paper is issued. */
export const gapCodes = [
  'not-agreed',
  'nothing-ticked',
  'not-flushed',
  'leaks-unchecked',
  'shutoff-untested',
  'flows-unread',
  'germs-untested',
  'tds-unread',
  'lamp-unchecked',
  'chlorine-unread',
  'ions-unread',
  'simulated',
] as const;
export type GapCode = (typeof gapCodes)[number];
