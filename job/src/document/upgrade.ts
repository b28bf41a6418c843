/**
 * Brings documents and parts of earlier versions to the present one. Each step is written once and then left as it is: stored
 * rows and files of that version go through it for ever. A step that is done again changes nothing: what a later version holds is left.
 */

type Record_ = Record<string, unknown>;
const asRecord = (value: unknown): Record_ =>
  typeof value === 'object' && value !== null ? (value as Record_) : {};

/** Capacity of a ten-inch cartridge by its media, as the starter catalogue had it when capacities came in. */
const capacities: Readonly<Record<string, { chlorine: number; chloramine: number }>> = {
  sediment: { chlorine: 0, chloramine: 0 },
  'carbon-block': { chlorine: 40, chloramine: 6 },
  'catalytic-carbon': { chlorine: 40, chloramine: 30 },
};

/** Version 1 knew neither a pre-filter's capacity nor a lamp's dose. */
export function upgradePart1(part: unknown): unknown {
  const held = asRecord(part);
  if (held.kind === 'prefilter')
    return { disinfectantG: capacities[String(held.media)] ?? capacities.sediment, ...held };
  if (held.kind === 'lamp') return { ratedDoseMjCm2: 40, ...held };
  return part;
}

function upgradeDesign1(design: unknown): Record_ {
  const held = asRecord(design);
  // Lines without a membrane came later.
  if (held.kind === 'ultraviolet-line') return held;
  const prefilters = Array.isArray(held.prefilters) ? held.prefilters.map(upgradePart1) : [];
  return {
    permeatePump: null,
    ...('branches' in held ? {} : { branch: null }),
    ...held,
    prefilters,
    lamp: held.lamp ? upgradePart1(held.lamp) : null,
  };
}

/** Version 1 had no details, site questions, steering, overruling or agreement. */
export function upgradeDocument1(document: unknown): unknown {
  const held = asRecord(document);
  const system = held.system ? asRecord(held.system) : null;
  return {
    size: { weights: {}, limits: {}, overruled: {}, compared: [] },
    ...held,
    survey: { details: {}, site: {}, ...asRecord(held.survey) },
    system: system && { agreed: null, ...system, design: upgradeDesign1(system.design) },
  };
}

function upgradeDesign2(design: unknown): unknown {
  const { branch, ...held } = asRecord(design);
  // A line without a membrane never had a branch.
  if (held.kind === 'ultraviolet-line' || 'branches' in held) return held;
  return { ...held, branches: branch ? [{ kind: 'refrigerator', ...asRecord(branch) }] : [] };
}

/** Brings every design of a document to the next version. */
function withDesigns(document: unknown, upgrade: (design: unknown) => unknown): unknown {
  const held = asRecord(document);
  const size = asRecord(held.size);
  const system = held.system ? asRecord(held.system) : null;
  return {
    ...held,
    size: { ...size, compared: Array.isArray(size.compared) ? size.compared.map(upgrade) : [] },
    system: system && { ...system, design: upgrade(system.design) },
  };
}

/** Version 2 knew one branch, to a refrigerator. */
export const upgradeDocument2 = (document: unknown): unknown =>
  withDesigns(document, upgradeDesign2);

/** Version 3 knew no solenoid (what closed the feed of a pumped system was not said) and no unit that the parts come in. */
export const upgradeDocument3 = (document: unknown): unknown =>
  withDesigns(document, (design) => {
    const held = asRecord(design);
    return held.kind === 'ultraviolet-line'
      ? held
      : { unit: null, kit: null, solenoid: null, ...held };
  });
