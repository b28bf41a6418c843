import { type Part, partsOf, type TreatmentPart } from '../../catalogue/parts.ts';
import { withKit } from '../../system/kit.ts';
import { withUnit } from '../../system/unit.ts';
import { choosePrefilters, closerBehindPump } from '../candidates.ts';
import type { SystemDesign } from '../../system/design.ts';
import type { DecisionTopic } from './decision.ts';
import { type Overruled, regulatorSettings, type SupplySettings } from './supplySettings.ts';

/** One way to decide a topic. */
export interface DecisionOption {
  key: string;
  /** The part it is about, where there is one. */
  part: Part | null;
  /** The design that follows. */
  design: SystemDesign;
  settings: SupplySettings;
  /** Whether it is what stands now. */
  inUse: boolean;
}

/** The ways in which a topic can be decided with this catalogue, the present one among them. None for what physics alone decides. */
export function decisionOptions(
  topic: DecisionTopic,
  design: SystemDesign,
  settings: SupplySettings,
  catalogue: readonly Part[],
): DecisionOption[] {
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  const option = (
    key: string,
    change: Partial<SystemDesign>,
    part: Part | null = null,
    set: Partial<SupplySettings> = {},
  ): DecisionOption => {
    const next = withKit(withUnit({ ...design, ...change }, catalogue), catalogue);
    const nextSettings = { ...settings, ...set };
    const inUse = same(next, design) && same(nextSettings, settings);
    return { key, part, design: next, settings: nextSettings, inUse };
  };
  const treatment = (method: TreatmentPart['method']): Part | null =>
    partsOf(catalogue, 'treatment').find((part) => part.method === method) ?? null;
  switch (topic) {
    case 'membrane':
      return [];
    case 'regulator':
      return [
        option('none', {}, null, { regulatorBar: null }),
        option('strict', {}, null, { regulatorBar: regulatorSettings.strict }),
        option('wide', {}, null, { regulatorBar: regulatorSettings.wide }),
      ];
    case 'leak-stop':
      return [
        option('fit', {}, null, { leakStop: true }),
        option('none', {}, null, { leakStop: false }),
      ];
    case 'scaling':
      return [
        option('accept', {}, null, { softener: false, inhibitor: false }),
        option('soften', {}, treatment('softening'), { softener: true, inhibitor: false }),
        option('inhibit', {}, treatment('inhibitor'), { softener: false, inhibitor: true }),
      ];
    case 'carbon':
      return [false, true].map((chloramine) =>
        option(chloramine ? 'catalytic' : 'block', {
          prefilters: choosePrefilters(catalogue, chloramine),
        }),
      );
    case 'booster':
      return boosterOptions(design, catalogue).map(({ key, part, ...change }) =>
        option(key, change, part),
      );
    case 'restrictor':
      return partsOf(catalogue, 'restrictor').map((restrictor) =>
        option(restrictor.id, { restrictor }, restrictor),
      );
    case 'minerals':
      return [
        option('none', { mineral: null }),
        ...partsOf(catalogue, 'mineral').flatMap((part) =>
          (design.tank ? (['before-tank', 'after-tank'] as const) : (['after-tank'] as const)).map(
            (place) => option(`${place}:${part.id}`, { mineral: { part, place } }, part),
          ),
        ),
      ];
    case 'post-filter':
      return [
        option('none', { postFilter: null }),
        ...partsOf(catalogue, 'post-filter').map((postFilter) =>
          option(postFilter.id, { postFilter }, postFilter),
        ),
      ];
    case 'disinfection':
      return [
        option('none', { lamp: null }),
        ...partsOf(catalogue, 'lamp').map((lamp) => option(lamp.id, { lamp }, lamp)),
      ];
    case 'pretreatment':
    case 'shut-off':
    case 'refrigerator':
      return [];
  }
}

/** With each pump, and, where a tank holds the water meanwhile, without: then a valve has to close, a permeate pump may help. */
function boosterOptions(design: SystemDesign, catalogue: readonly Part[]) {
  const pumped = partsOf(catalogue, 'pump').map((pump) => ({
    key: pump.id,
    part: pump,
    pump,
    ...(design.tank ? closerBehindPump(catalogue) : { solenoid: null, shutoff: null }),
    permeatePump: null,
  }));
  if (!design.tank) return pumped;
  const shutoff = design.shutoff ?? partsOf(catalogue, 'shutoff')[0] ?? null;
  const bank = { elements: 1, arrangement: 'series' as const };
  return [
    { key: 'none', part: null, pump: null, solenoid: null, shutoff, permeatePump: null, ...bank },
    ...partsOf(catalogue, 'permeate-pump').map((permeatePump) => ({
      key: permeatePump.id,
      part: permeatePump,
      pump: null,
      solenoid: null,
      shutoff,
      permeatePump,
      ...bank,
    })),
    ...pumped,
  ];
}

/**
 * A proposed design with what a person decided instead. A choice whose part has left the catalogue, or that does not fit the
 * design any more, is passed over.
 */
export function overruleDesign(
  proposed: SystemDesign,
  overruled: Overruled,
  settings: SupplySettings,
  catalogue: readonly Part[],
): SystemDesign {
  return (Object.entries(overruled) as [DecisionTopic, string][]).reduce(
    (design, [topic, key]) =>
      decisionOptions(topic, design, settings, catalogue).find((option) => option.key === key)
        ?.design ?? design,
    proposed,
  );
}
