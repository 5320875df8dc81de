import { Pen } from '../../motif/index.ts';
import { count, type Figure, millimetres, share } from '../figure.ts';

/** A band that goes up and down, whole crests only, so that it can follow itself. */
export const wave: Figure = {
  name: 'Wave',
  measures: [
    millimetres('width', 'Length', 60),
    count('crests', 'Crests', 3, 1, 20),
    millimetres('rise', 'Rise', 8, 0, 200),
    millimetres('band', 'Band', 4, 0.2, 200),
    share('lean', 'Lean', 0, -100, 100),
  ],
  outline: ({ width = 0, crests = 1, rise = 0, band = 0, lean = 0 }) => {
    const step = width / crests / 2;
    const skew = (step * 0.7 * lean) / 100;
    const pen = new Pen();
    const run = (y: number, forward: boolean): void => {
      const order = Array.from({ length: crests * 2 }, (_, i) => (forward ? i : crests * 2 - 1 - i));
      for (const i of order) {
        const from = -width / 2 + i * step;
        const [low, high] = i % 2 === 0 ? [rise / 2, -rise / 2] : [-rise / 2, rise / 2];
        const up = i % 2 === 0 ? skew : 0;
        const down = i % 2 === 0 ? 0 : skew;
        const a = [from + step * 0.3642 + down, y + low] as const;
        const b = [from + step * 0.6358 + up, y + high] as const;
        if (forward) pen.curve(...a, ...b, from + step, y + high);
        else pen.curve(...b, ...a, from, y + low);
      }
    };
    pen.move(-width / 2, rise / 2 - band / 2);
    run(-band / 2, true);
    pen.line(width / 2, rise / 2 + band / 2);
    run(band / 2, false);
    return pen.close().toString();
  },
};
