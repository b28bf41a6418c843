import {
  assess,
  type CertifiedChecks,
  type CertifiedJudgement,
  type Certification,
  certify,
  type CertifyRequest,
  type FlushStepCode,
  type InstalledSystem,
  isUltravioletLine,
  lampWaterOf,
  type LeakLook,
  type LeakState,
  productDose,
  type PurposeIon,
  purposeIons,
  purposeTable,
  type SystemDesign,
  toCore,
  ultravioletLimits,
} from '@katharos/core';
import type { JobDocument } from '../document/job.ts';
import type { Reading } from '../document/reading.ts';
import type { LeakLooked } from '../fields/leakLooks.ts';
import { visitsInOrder } from '../document/visitsInOrder.ts';
import { optionsOf, watersOf } from './brief.ts';
import { isTooLittle, lampFeedOf, ultravioletVerdict } from './lampFeed.ts';

/** What of a job decides what its papers may say. */
export type Certified = Pick<
  JobDocument,
  'survey' | 'size' | 'system' | 'flush' | 'verify' | 'service'
>;

/** The flush's own look for each of the three. */
const lookOfFlush: Record<LeakLooked, LeakState> = {
  filled: 'filling',
  pressure: 'pressurised',
  tankFull: 'tank-full',
};

/** What a look for leaks found: as it was noted, else as the flush saw it, else as the one look of old said it. */
function leakLookOf(
  { verify, flush }: Pick<Certified, 'verify' | 'flush'>,
  look: LeakLooked,
): LeakLook {
  const noted = verify.leaks?.[look];
  if (noted) return noted;
  const id = `leak-check-${lookOfFlush[look]}`;
  const dripping = Object.values(flush.troubles ?? {}).some(
    ({ step, sign, mended }) => step === id && sign === 'drips' && !mended,
  );
  if (dripping) return 'leak';
  // What was opened to be mended after it is to be seen dry once more.
  const isOpened = (at: string) =>
    Object.values(verify.earlier ?? {}).some((one) => Date.parse(one.at) > Date.parse(at));
  const { done, seen = [] } = flush.steps[id] ?? {};
  if (done && seen.includes('dry') && !isOpened(done.at)) return 'dry';
  // It was one look at every joint under pressure, with the tank full.
  return look === 'filled' ? 'not-done' : verify.leakCheck;
}

/** Whether a tap was seen dry or dripping that a paper can go by. */
const leaksOf = (document: Certified): CertifiedChecks['leaks'] => ({
  filled: leakLookOf(document, 'filled'),
  pressure: leakLookOf(document, 'pressure'),
  tankFull: leakLookOf(document, 'tankFull'),
});

const stopsOf = { passed: 'stops', failed: 'runs-on', 'not-done': 'not-done' } as const;

/** Steps of a flush after which a sample for germs is another water. */
const disturbing: ReadonlySet<string> = new Set<FlushStepCode>([
  'sanitise-dose',
  'sanitise-fill',
  'sanitise-contact',
  'sanitise-rinse',
  'prefilter-flush',
  'line-flush',
  'fit-membrane',
  'membrane-rinse',
  'tank-drain',
  'run-open-tap',
  'lamp-fill',
  'lamp-on',
  'dispenser-rinse',
]);

/** Things whose change asks for a new sample. */
const renews = (id: string): boolean =>
  /^(prefilter|membrane|post-filter|mineral|lamp|sanitising)/.test(id);

/**
 * Whether a sample for germs was taken after the line was disinfected or flushed, and after lamp and cartridges were changed; null where
 * nobody sampled.
 */
function sampledOf({ flush, verify, service }: Certified): CertifiedChecks['germs']['sampled'] {
  const at = verify.germTest?.sampled?.at ?? verify.germTest?.result?.at;
  if (!at) return null;
  const later = (when: string) => Date.parse(when) > Date.parse(at);
  const flushed = (flush.plan ?? [])
    .filter(({ code }) => disturbing.has(code))
    .some(({ id }) => {
      const done = flush.steps[id]?.done;
      return !done || later(done.at);
    });
  const changed = visitsInOrder({ service }).some(([, { changed: parts = {} }]) =>
    Object.entries(parts).some(([id, { at: when }]) => renews(id) && later(when)),
  );
  return flushed || changed ? 'before' : 'after';
}

function germsOf(document: Certified): CertifiedChecks['germs'] {
  const { germTest } = document.verify;
  const sampled = sampledOf(document);
  if (germTest?.result) return { result: germTest.result.found ? 'found' : 'none-found', sampled };
  return { result: germTest?.sampled || germTest?.ordered ? 'awaited' : 'not-done', sampled };
}

const read = (reading: Reading | undefined): number | null =>
  reading && !reading.simulated ? toCore('concentration', reading) : null;

/** The dose at what the tap was measured to give: of a lamp line, or of the lamp behind a membrane. */
function doseOf(document: Certified): CertifiedChecks['lamp']['dose'] {
  const design = document.system?.design;
  if (!design) return 'not-known';
  if (isUltravioletLine(design)) {
    const found = ultravioletVerdict(document, design);
    if (!found) return 'not-known';
    if (isTooLittle(found)) return 'too-low';
    return found.unread.length > 0 ? 'not-known' : 'held';
  }
  return design.lamp ? doseBehindMembrane(document, design, design.lamp) : 'not-known';
}

function doseBehindMembrane(
  { survey, size, verify }: Certified,
  design: SystemDesign,
  lamp: NonNullable<SystemDesign['lamp']>,
): CertifiedChecks['lamp']['dose'] {
  const { tapFlowFull, productFlow } = verify.readings;
  // What passes the lamp is what the tap draws: from the full tank, or as it is made.
  const flowLPerH = design.tank
    ? tapFlowFull && toCore('tapFlow', tapFlowFull) * 60
    : productFlow && toCore('flow', productFlow);
  if (!flowLPerH) return 'not-known';
  const waters = watersOf(survey, optionsOf(size.overruled));
  if (!waters.ok) return 'not-known';
  const assessed = assess(design, waters.value.today);
  if (!assessed.ok) return 'not-known';
  const { ironMgL, manganeseMgL } = lampFeedOf(survey, waters.value.today.hardnessMgL);
  const fits = lampWaterOf(design, assessed.value, { ironMgL, manganeseMgL }).fits;
  return fits && productDose(lamp, flowLPerH) >= ultravioletLimits.doseMjCm2 ? 'held' : 'too-low';
}

/** The system as far as its checks hang on it. */
export function trainOf(system: InstalledSystem): CertifyRequest['train'] {
  const carbon = system.prefilters.some(({ media }) => media !== 'sediment');
  if (isUltravioletLine(system)) {
    return { membrane: false, tank: false, pump: false, carbon, lamp: 'always-on' };
  }
  return {
    membrane: true,
    tank: system.tank !== null,
    pump: system.pump !== null,
    carbon,
    lamp: system.lamp ? 'always-on' : null,
  };
}

const saidSafe = { yes: true, no: false, unknown: null } as const;

/** What is known of the supply's germs and disinfectant. */
export const supplyOf = ({
  source,
  safe,
  disinfectant,
}: Pick<JobDocument['survey'], 'source' | 'safe' | 'disinfectant'>): CertifyRequest['supply'] => ({
  source,
  safe: saidSafe[safe],
  disinfectant,
});

/** Most of each ion that the drinking water may hold, mg/L: the firm's own where it has one. */
export type IonLimits = { [I in PurposeIon]?: number | undefined };

/** What a job's checks come to so far, as a question to the core. */
export function certifyRequestOf(
  document: Certified & { system: NonNullable<JobDocument['system']> },
  judged: CertifiedJudgement | null,
  limits: IonLimits = {},
): CertifyRequest {
  const { survey, verify } = document;
  const { readings } = verify;
  const lookedAt = verify.lampLook?.alarm;
  const ions = purposeIons.map((ion) => {
    const mgL = read(verify.ions?.[ion]);
    const limitMgL = limits[ion] ?? purposeTable[ion].limitMgL ?? 0;
    return [ion, mgL === null ? null : { mgL, limitMgL }] as const;
  });
  return {
    train: trainOf(document.system.design),
    supply: supplyOf(survey),
    purposes: survey.purposes ?? [],
    checks: {
      leaks: leaksOf(document),
      stops: stopsOf[verify.shutoffTest],
      germs: germsOf(document),
      chlorine: {
        totalMgL: read(verify.noted?.totalChlorine),
        freeMgL: read(readings.chlorineAfterCarbon),
      },
      lamp: { dose: doseOf(document), alarm: lookedAt ?? 'not-looked' },
      ions: Object.fromEntries(ions),
    },
    readings: {
      feedTds: readings.feedTds !== undefined,
      productTds: readings.productTds !== undefined,
      productFlow: readings.productFlow !== undefined,
      drainFlow: readings.drainFlow !== undefined,
    },
    judged,
  };
}

/** What a job's papers may say; nothing while no system is chosen. */
export const certificationOf = (
  document: Certified,
  judged: CertifiedJudgement | null,
  limits?: IonLimits,
): Certification | undefined =>
  document.system
    ? certify(certifyRequestOf({ ...document, system: document.system }, judged, limits))
    : undefined;
