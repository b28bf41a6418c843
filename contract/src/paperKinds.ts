/** Papers that are handed over. Once issued they stay as they were; what changes makes a new version beside the old one. */
export const paperKinds = ['proposal', 'certificate', 'sheet', 'service'] as const;
export type PaperKind = (typeof paperKinds)[number];
