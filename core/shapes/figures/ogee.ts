import { Pen } from '../../motif/index.ts';
import { type Figure, millimetres, share } from '../figure.ts';

/**
 * A pointed oval of four equal S-curves, each its own image about its middle: those of neighbours half a width and half a
 * height away are the same curves, so that ogees fit into each other without a gap.
 */
export const ogee: Figure = {
  name: 'Ogee',
  measures: [millimetres('width', 'Width', 24), millimetres('height', 'Height', 36), share('waist', 'Waist', 55)],
  outline: ({ width = 0, height = 0, waist = 0 }) => {
    const [w, h, k] = [width / 2, height / 2, waist / 100];
    return new Pen()
      .move(0, -h)
      .curve(0, -h + k * h, w, -k * h, w, 0)
      .curve(w, k * h, 0, h - k * h, 0, h)
      .curve(0, h - k * h, -w, k * h, -w, 0)
      .curve(-w, -k * h, 0, -h + k * h, 0, -h)
      .close()
      .toString();
  },
};
