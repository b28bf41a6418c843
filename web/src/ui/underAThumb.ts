/** A box that is ticked, with room for a thumb round it. */
export const underAThumb = {
  body: { minHeight: 44, paddingInline: 10, marginInline: -10, alignItems: 'center' },
} as const;
