import type { PrintCloth } from '../print/index.ts';

/** A cloth to be printed on in tests. */
export const SAILCLOTH: PrintCloth = {
  id: 'sail',
  name: 'Sailcloth',
  fibre: 'Cotton',
  weave: 'plain',
  threads: 10,
  width: 1400,
  leastRepeat: 20,
  leastOrder: 2,
  price: 1000,
  base: '#f0e0d0',
  fading: 0.1,
};
