import type { Survey } from '@katharos/job';
import { type Quantity, units } from '@katharos/core';

type Scale = NonNullable<Survey['meterScale']>;

const unitOfScale: Record<Scale, keyof typeof units.tds> = {
  nacl: 'uS/cm NaCl',
  kcl: 'uS/cm KCl',
  '442': 'uS/cm 442',
};

/** Dissolved solids over conductivity, mg/L per uS/cm, by the meter's scale. */
export const meterScaleFactor: Record<Scale, number> = {
  nacl: units.tds['uS/cm NaCl'].toCore(1),
  kcl: units.tds['uS/cm KCl'].toCore(1),
  '442': units.tds['uS/cm 442'].toCore(1),
};

/** A conductivity typed without a scale is of this meter's; anything else stays as it was typed. */
export function inMeterScale(quantity: Quantity, scale: Scale): Quantity {
  if (quantity.unit === 'uS/cm NaCl') return { ...quantity, unit: unitOfScale[scale] };
  if (quantity.unit === 'mS/cm NaCl' && scale !== 'nacl')
    return { value: quantity.value * 1000, unit: unitOfScale[scale] };
  return quantity;
}
