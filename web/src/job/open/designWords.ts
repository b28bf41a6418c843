import type { SystemDesign } from '@katharos/core';

/** A system in one line: what someone would call it on the telephone. */
export function partsInWords(design: SystemDesign): string {
  const parts = [
    `${design.prefilters.length} pre-filters`,
    design.pump?.name,
    design.elements > 1
      ? `${design.elements} × ${design.membrane.name} in ${design.arrangement}`
      : design.membrane.name,
    design.restrictor.name,
    design.permeatePump?.name,
    design.mineral?.part.name,
    design.tank?.name ?? 'no tank',
    design.lamp?.name,
  ];
  return parts.filter((part) => part !== undefined).join(', ');
}
