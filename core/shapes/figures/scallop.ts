import { Pen } from '../../motif/index.ts';
import { count, type Figure, millimetres, share } from '../figure.ts';

/** A fan whose upper edge goes in bows. */
export const scallop: Figure = {
  name: 'Scallop',
  measures: [
    millimetres('width', 'Width', 40),
    millimetres('height', 'Height', 32),
    count('bows', 'Scallops', 7, 1, 31),
    share('bow', 'Scallop depth', 45, 0, 100),
    share('foot', 'Foot', 18, 0, 100),
  ],
  outline: ({ width = 0, height = 0, bows = 1, bow = 0, foot = 0 }) => {
    const [rx, top, base] = [width / 2, -height / 2, height / 2];
    const rise = height * 0.62;
    // Where bow i begins on the half ellipse, left to right.
    const at = (t: number, out: number): readonly [number, number] => {
      const angle = Math.PI * (1 - t);
      return [rx * out * Math.cos(angle), top + rise - rise * out * Math.sin(angle)];
    };
    const inner = 1 - (bow / 100) * Math.min(0.5, 1.6 / bows);
    const half = (rx * foot) / 100;
    const pen = new Pen().move(...at(0, inner));
    for (let i = 0; i < bows; i += 1) {
      const [a, b] = [i / bows, (i + 1) / bows];
      const far = 1 + (1 - inner) / 3;
      pen.curve(...at(a + (b - a) * 0.12, far), ...at(b - (b - a) * 0.12, far), ...at(b, inner));
    }
    return pen
      .quad(rx * 0.55 + half * 0.45, base - height * 0.16, half, base)
      .line(-half, base)
      .quad(-rx * 0.55 - half * 0.45, base - height * 0.16, ...at(0, inner))
      .close()
      .toString();
  },
};
