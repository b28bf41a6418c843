import type { Draw } from '@katharos/core';

/** What water is drawn for, in words. */
export const drawKindNames: Record<Draw['kind'], string> = {
  glass: 'Glass',
  'hot-drink': 'Hot drinks',
  pot: 'Pot',
  pet: 'Pets',
  plants: 'Plants',
};
