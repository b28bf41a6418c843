/**
 * Rules of practice: where practitioners draw lines that no equation draws. Every figure is a default that a firm may hold otherwise,
 * and the reason for each stands on screen where it leads to something. Where the physics itself ends is said in `limits`.
 */

/** Pressure and hardness of the supply. */
export const practiceLimits = {
  /** Below this an unpumped system is customarily boosted, bar (40 psi). */
  lowSupplyBar: 2.76,
  /** Above this a regulator is needed, bar (80 psi). The stricter school sets 4.1 bar (60 psi) for plastic housings. */
  highSupplyBar: 5.5,
  strictSupplyBar: 4.1,
  /** Dissolved solids from which a membrane is worth having where nothing else asks for one, mg/L. */
  membraneFromTdsMgL: 200,
  /** Hardness from which softening is considered, mg/L as CaCO3 (7 gpg). */
  hardMgL: 120,
  /** Hardness that an ion exchanger leaves, mg/L as CaCO3. */
  softenedMgL: 8,
  /** Polarisation at the wall that is customarily not passed: exp(0.7 Y), reached at 26 % an element. */
  mostPolarisation: 1.2,
  /** Above this water tastes of soap to some, and magnesium oxide beds overshoot. */
  mostAlkalinePh: 9,
  /** The slowest tap that people accept, L/min: a glass in half a minute. */
  slowestTapLPerMin: 0.5,
  /** A tube may cost this much before the wider one is taken, bar: a tap's flow hardly changes by it. */
  mostTubeLossBar: 0.1,
} as const;

/** What bears how much, where a part's own sheet does not say. */
export const usualStrength = {
  /** Housings and membrane vessels at rest, bar (125 psi). */
  housingBar: 8.6,
  /** A residential element, bar (145 psi). */
  elementBar: 10,
  /** Most of its feed that a plain residential element turns into product in steady running. */
  elementRecovery: 0.26,
} as const;

/** How parts wear before their calendar runs out. */
export const wear = {
  /** Drop of a pre-filter at the end of its life over that of a new one. */
  prefilterEndFactor: 2,
  /** Output of a lamp at the end of its life over that of a new one. */
  lampEndShare: 0.8,
} as const;

/**
 * How soon scale is felt, held to what practice sees: `monthHours` over excess and hours a day gives months; one system differs from the
 * next by `factor`; growth is held back by how fast ions reach the wall at `mostExcess`.
 */
export const scaleLaw = { monthHours: 90, factor: 2, mostExcess: 4 } as const;

/** Feed limits of a membrane that a cartridge does not mend: what has to be taken out ahead of the unit. */
export const feedLimits = {
  ironMgL: 0.3,
  manganeseMgL: 0.05,
  sulfideMgL: 0,
  turbidityNtu: 1,
} as const;

/** Water that a lamp can treat: what shades, stains or coats its sleeve. */
export const ultravioletLimits = {
  ironMgL: 0.05,
  manganeseMgL: 0.05,
  hardnessMgL: 17,
  transmittance: 0.9,
  /** Least dose for drinking water. */
  doseMjCm2: 40,
} as const;

/** Where a verification is taken to be decided. */
export const judged = {
  /**
   * More likely than not that nothing is wrong, and it is accepted; as unlikely as the other, and it is not. Six usual readings of a sound
   * system come to 0.5 to 0.9: faults too mild to show are never excluded by them.
   */
  sound: 0.5,
  unsound: 0.2,
} as const;

/** Customary grades of rejection by a meter. */
export const rejectionGrades = { good: 0.9, marginal: 0.8 } as const;

/** Customary lives by the calendar, months, at the long end for a small household. */
export const lifeMonths = {
  permeatePump: 72,
  sediment: 12,
  carbon: 12,
  postFilter: 12,
  mineral: 12,
  membrane: 36,
  lamp: 12,
} as const;

/** Customary times of flushing, min. */
export const flushTimes = {
  leakWatch: 5,
  prefilter: 5,
  /** Each cartridge for itself, where they are added one at a time. */
  oneCartridge: 2,
  /** What runs into the bucket, L/min. */
  bucketLPerMin: 3,
  /** Free chlorine that a strip no longer shows, mg/L. */
  stripMgL: 0.1,
  /** A reading of TDS is steady when it stays within this share for so long. */
  steadyShare: 0.02,
  steadyMin: 5,
  /** One night, where the last tank stands for one. */
  nightsRest: 480,
  /** What stands in an appliance on a branch, L, and bins of ice that are thrown away; a tube is changed so many times over. */
  branch: {
    refrigerator: { litres: 3, bins: 0 },
    'ice-maker': { litres: 0, bins: 2 },
    'second-tap': { litres: 1, bins: 0 },
    machine: { litres: 2, bins: 0 },
  },
  branchVolumes: 3,
  membraneRinse: 10,
  openTap: 20,
  /** Sealed units rinse themselves when they are plugged in, and then run longer. */
  autoFlush: 5,
  sealedOpenTap: 30,
  lampWarmUp: 1,
  lampFill: 3,
  /** What is simply done: a valve turned, a plug put in, a look at a joint. */
  simpleStep: 2,
} as const;

/** Sanitising with household bleach: what empty housings and vessels hold, L, and a customary strength. The product's label comes first. */
export const sanitised = {
  housingL: 0.9,
  vesselL: 0.5,
  doseMgL: 100,
  contactMin: 15,
  /** Where a laboratory found germs. */
  contactAfterGermsMin: 30,
} as const;

/** How a tank's preservative is washed out. */
export const washout = {
  /** The kit's own instruction, taken as the floor. */
  leastTankCycles: 2,
  /** Share of the preservative that may be left. */
  leftShare: 0.02,
  /** Water that a bladder tank keeps when drained to a trickle, as a share of its shell. */
  heelShare: 0.05,
  /** A tank is drained when it gives no more than this, L/min: a thin stream; nobody waits for drops. */
  trickleLPerMin: 0.1,
  /** Water that stands stirred in a post carbon, L. */
  postFilterL: 0.3,
  /** Share of a mineral bed that is water between its grains. */
  bedVoids: 0.45,
  /** How often a dispenser's own tanks are filled and run out. */
  dispenserRinses: 2,
} as const;

/** A drinking glass, L. */
export const glassL = 0.25;

/** How long a person holds a jug under a trickle before giving up, min. */
export const patienceMin = 6;
/** What people bear without complaint, min: a minute, and half a minute more for every litre of a pot. */
export const borneWaitMin = (litres: number): number => 1 + litres / 2;
/** A tap that nobody calls slow, L/min: what a tankless unit is held to, having no full tank to compare with. */
export const comfortLPerMin = 1.5;
