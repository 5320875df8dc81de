import { Pen, QUARTER } from '../../motif/index.ts';
import { type Figure, millimetres, share } from '../figure.ts';

export const heart: Figure = {
  name: 'Heart',
  measures: [
    millimetres('width', 'Width', 30),
    millimetres('height', 'Height', 28),
    share('cleft', 'Cleft', 22, 0, 60),
    share('belly', 'Fullness', 45),
  ],
  outline: ({ width = 0, height = 0, cleft = 0, belly = 0 }) => {
    const [half, top, point] = [width / 2, -height / 2, height / 2];
    const notch = top + (height * cleft) / 100;
    const widest = top + height * 0.3;
    const full = belly / 100;
    const [lobe, side] = [half * 0.5, half * 0.5 * QUARTER];
    return new Pen()
      .move(0, notch)
      .curve(half * 0.04, notch - (notch - top) * 0.6, lobe - side, top, lobe, top)
      .curve(lobe + side, top, half, widest - (widest - top) * QUARTER, half, widest)
      .curve(half, widest + (point - widest) * (0.2 + 0.4 * full), half * 0.45 * full, point - height * 0.12, 0, point)
      .curve(
        -half * 0.45 * full,
        point - height * 0.12,
        -half,
        widest + (point - widest) * (0.2 + 0.4 * full),
        -half,
        widest,
      )
      .curve(-half, widest - (widest - top) * QUARTER, -lobe - side, top, -lobe, top)
      .curve(-lobe + side, top, -half * 0.04, notch - (notch - top) * 0.6, 0, notch)
      .close()
      .toString();
  },
};
