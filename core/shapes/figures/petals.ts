import { Pen } from '../../motif/index.ts';
import { rotationMatrix, transform } from '../../geometry/index.ts';
import { count, type Figure, millimetres, share } from '../figure.ts';

/** Petals around a middle. Their sides swell out above 0 % and in below it; their tips are blunt or pointed. */
export const petals: Figure = {
  name: 'Petals',
  measures: [
    millimetres('width', 'Diameter', 44),
    count('count', 'Petals', 6, 2, 40),
    share('breadth', 'Breadth', 90, 5, 250),
    { ...share('swell', 'Swell', 35, -100, 100) },
    share('blunt', 'Blunt tip', 40),
    share('open', 'Open middle', 22, 0, 80),
    share('eye', 'Eye', 14, 0, 80),
  ],
  outline: ({ width = 0, count: petalCount = 2, breadth = 0, swell = 0, blunt = 0, open = 0, eye = 0 }) => {
    const radius = width / 2;
    const foot = (radius * open) / 100;
    const length = radius - foot;
    // Breadth is a share of what each petal has to itself at its widest.
    const half = ((Math.PI * (foot + length * 0.6)) / petalCount) * (breadth / 100);
    const [low, high] = [foot + length * 0.3, foot + length * 0.78];
    const bulge = half * (1 + swell / 100);
    const tip = half * (blunt / 100);
    const pen = new Pen();
    for (let i = 0; i < petalCount; i += 1) {
      const matrix = rotationMatrix((360 * i) / petalCount);
      const at = (x: number, y: number): readonly [number, number] => {
        const p = transform(matrix, { x, y: -y });
        return [p.x, p.y];
      };
      pen
        .move(...at(0, foot))
        .curve(
          ...at(bulge * 0.55, low),
          ...at(half, low + (high - low) * 0.35),
          ...at(half * 0.96, (low + high) / 2 + length * 0.06),
        )
        .curve(...at(half * 0.9, high), ...at(tip, radius), ...at(0, radius))
        .curve(...at(-tip, radius), ...at(-half * 0.9, high), ...at(-half * 0.96, (low + high) / 2 + length * 0.06))
        .curve(...at(-half, low + (high - low) * 0.35), ...at(-bulge * 0.55, low), ...at(0, foot))
        .close();
    }
    if (eye > 0) pen.ellipse(0, 0, (radius * eye) / 100, (radius * eye) / 100);
    return pen.toString();
  },
};
