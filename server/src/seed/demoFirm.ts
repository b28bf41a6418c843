/** The sample firm: invented people in an invented valley, used nowhere else. */
export const demoSignIn = { email: 'wren@brackenfold.example', password: 'clear-water-8' };
export const demoOwner = { name: 'Wren Askeby', firm: 'Brackenfold Water Care' };

/** Whom its households call: a number that is given to nobody. */
export const demoPhone = '01632 960114';

/** What the sample firm's van holds: enough for a usual job, short of a few things. */
export const demoVan: readonly (readonly [partId: string, quantity: number])[] = [
  ['silt-5', 6],
  ['char-block', 5],
  ['char-catalytic', 1],
  ['reed-50', 1],
  ['reed-75', 2],
  ['gourd-12', 2],
  ['toggle-valve', 3],
  ['char-polish', 4],
  ['ibis-tap', 2],
  ['tee-adapter', 3],
  ['hold-41', 1],
  ['pad-stop', 2],
  ['tee-14', 6],
  ['saddle-quarter', 4],
  ['tank-ball', 3],
  ['nut-14', 12],
  ['clip-14', 40],
  ['label-sheet', 5],
  ['tube-14', 18],
  ['tube-38', 4],
];
