import { Pen, QUARTER } from '../../motif/index.ts';
import { type Figure, millimetres, share } from '../figure.ts';

export const drop: Figure = {
  name: 'Drop',
  measures: [millimetres('height', 'Height', 26), millimetres('width', 'Width', 16), share('waist', 'Waist', 40)],
  outline: ({ height = 0, width = 0, waist = 0 }) => {
    const half = width / 2;
    const [top, foot] = [-height / 2, height / 2];
    const middle = Math.max(top, foot - half);
    const draw = (middle - top) * (0.2 + 0.6 * (waist / 100));
    const pull = half * (1 - waist / 100) * 0.6;
    const depth = foot - middle;
    return new Pen()
      .move(0, top)
      .curve(pull, top + draw, half, middle - (middle - top) * 0.35, half, middle)
      .curve(half, middle + depth * QUARTER, half * QUARTER, foot, 0, foot)
      .curve(-half * QUARTER, foot, -half, middle + depth * QUARTER, -half, middle)
      .curve(-half, middle - (middle - top) * 0.35, -pull, top + draw, 0, top)
      .close()
      .toString();
  },
};
