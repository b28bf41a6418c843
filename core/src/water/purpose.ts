/** Ions, and what is counted as one, that a system can be bought against; only a laboratory can see them. */
export const purposeIons = ['nitrate', 'arsenic', 'lead', 'fluoride', 'pfas', 'boron'] as const;
export type PurposeIon = (typeof purposeIons)[number];

/** What a household buys a system for. */
export const purposes = ['taste', 'hardness', ...purposeIons, 'germs', 'machine'] as const;
export type Purpose = (typeof purposes)[number];

export const isPurposeIon = (purpose: Purpose): purpose is PurposeIon =>
  (purposeIons as readonly Purpose[]).includes(purpose);

/** Whether carbon, an element or a lamp is what a purpose asks for. */
export interface PurposeFacts {
  /** Most that the drinking water may hold, mg/L; null where no laboratory figure decides. */
  limitMgL: number | null;
  /** Share that a residential element usually holds back, from the worst to the best seen; null where an element does nothing that is vouched for. */
  rejection: { least: number; most: number } | null;
  /** What takes it out. */
  removedBy: 'carbon' | 'membrane' | 'membrane-and-carbon' | 'lamp' | 'hardly';
  /** The test of a laboratory that is ordered for it. */
  test: 'none' | 'ion' | 'germs';
}

/**
 * What each purpose takes. Limits are the WHO's guideline values for drinking water (4th edition, 2022), and for PFAS the sum of twenty
 * of the European directive 2020/2184; local law comes first. Rejections are usual ones of polyamide elements at household pressure.
 * Arsenic is the worse for As(III), which most wells hold and an element hardly sees.
 */
export const purposeTable: Record<Purpose, PurposeFacts> = {
  taste: { limitMgL: null, rejection: null, removedBy: 'carbon', test: 'none' },
  hardness: {
    limitMgL: null,
    rejection: { least: 0.95, most: 0.98 },
    removedBy: 'membrane',
    test: 'none',
  },
  nitrate: {
    limitMgL: 50,
    rejection: { least: 0.85, most: 0.93 },
    removedBy: 'membrane',
    test: 'ion',
  },
  arsenic: {
    limitMgL: 0.01,
    rejection: { least: 0.6, most: 0.95 },
    removedBy: 'membrane',
    test: 'ion',
  },
  lead: {
    limitMgL: 0.01,
    rejection: { least: 0.95, most: 0.98 },
    removedBy: 'membrane',
    test: 'ion',
  },
  fluoride: {
    limitMgL: 1.5,
    rejection: { least: 0.85, most: 0.95 },
    removedBy: 'membrane',
    test: 'ion',
  },
  pfas: {
    limitMgL: 0.0001,
    rejection: { least: 0.95, most: 0.99 },
    removedBy: 'membrane-and-carbon',
    test: 'ion',
  },
  boron: { limitMgL: 2.4, rejection: { least: 0.4, most: 0.6 }, removedBy: 'hardly', test: 'ion' },
  germs: { limitMgL: null, rejection: null, removedBy: 'lamp', test: 'germs' },
  machine: {
    limitMgL: null,
    rejection: { least: 0.9, most: 0.98 },
    removedBy: 'membrane',
    test: 'none',
  },
};
