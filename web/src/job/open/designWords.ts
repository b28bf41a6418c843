import { isHeld, type Part, type SystemDesign } from '@katharos/core';

/** A system in one line: what someone would call it on the telephone. What its unit holds is not told again. */
export function partsInWords(design: SystemDesign): string {
  const beside = (part: Part | null | undefined) =>
    part && !isHeld(design, part) ? part.name : undefined;
  const parts = [
    design.unit?.name,
    `${design.prefilters.length} pre-filters`,
    beside(design.pump),
    design.elements > 1
      ? `${design.elements} × ${design.membrane.name} in ${design.arrangement}`
      : beside(design.membrane),
    beside(design.restrictor),
    beside(design.permeatePump),
    design.mineral?.part.name,
    design.tank ? beside(design.tank) : 'no tank',
    design.lamp?.name,
  ];
  return parts.filter((part) => part !== undefined).join(', ');
}
