import type { StockPlaceKind } from '@katharos/core';

/** The sample firm: invented people in an invented valley, used nowhere else. */
export const demoSignIn = { email: 'wren@brackenfold.example', password: 'clear-water-8' };
export const demoOwner = { name: 'Wren Askeby', firm: 'Brackenfold Water Care' };

/** Whom its households call: a number that is given to nobody. */
export const demoPhone = '01632 960114';

/** What the sample firm's van and store hold, and what should never be missing: enough for a usual job, short of a few things. */
export const demoStock: Readonly<
  Record<StockPlaceKind, readonly (readonly [partId: string, quantity: number, minimum?: number])[]>
> = {
  van: [
    ['silt-5', 6, 4],
    ['char-block', 5, 4],
    ['char-catalytic', 1, 2],
    ['reed-50', 1, 1],
    ['reed-75', 2, 2],
    ['gourd-12', 2],
    ['toggle-valve', 3],
    ['char-polish', 4, 6],
    ['ibis-tap', 2],
    ['tee-adapter', 3],
    ['hold-41', 1, 2],
    ['pad-stop', 2],
    ['tee-14', 6],
    ['saddle-quarter', 4],
    ['tank-ball', 3],
    ['nut-14', 12],
    ['clip-14', 40],
    ['label-sheet', 5],
    ['tube-14', 18, 10],
    ['tube-38', 4, 10],
  ],
  store: [
    ['silt-5', 24, 12],
    ['char-block', 18, 12],
    ['char-polish', 9, 6],
    ['reed-75', 4, 4],
    ['hold-41', 0, 2],
    ['tube-14', 150, 50],
    ['tube-38', 50, 25],
  ],
};
