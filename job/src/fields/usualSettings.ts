import { type AcceptanceLimits, usualRequirements } from '@katharos/core';
import type { FirmSettings } from './firmSettings.ts';

/** What a new firm starts with. */
export const usualFirmSettings: FirmSettings = { units: 'metric', currency: 'EUR', paper: 'A4' };

/** Prices of work and tax until a firm sets its own. */
export const usualPrices = { installationPrice: 240, taxShare: 0.2 } as const;

/** How a firm keeps systems until it says otherwise. */
export const usualKeeping = { school: 'first', tripPrice: 60, warrantyMonths: 24 } as const;

/** What a firm holds a product to. */
export const limitsOf = ({ standards }: Pick<FirmSettings, 'standards'>): AcceptanceLimits => ({
  productShareOfFeed: standards?.productShareOfFeed ?? usualRequirements.productShareOfFeed,
  productTdsMgL: standards?.productTdsMgL ?? usualRequirements.productTdsMgL,
});
