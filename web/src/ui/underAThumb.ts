/** A box that is ticked, with room for a thumb round it. */
export const underAThumb = {
  body: { minHeight: 44, paddingInline: 10, marginInline: -10, alignItems: 'center' },
} as const;

/** A link on a line of its own, as high as a thumb needs; where its words take two lines they stand close. */
export const linkUnderAThumb = {
  display: 'inline-flex',
  alignItems: 'center',
  minHeight: 44,
} as const;
