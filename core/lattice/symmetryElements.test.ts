import { anyPoint, anyStep, repeatsOf } from '../testing/arbitraries.ts';
import { type Lattice, latticeOf, orbitDistance } from './lattice.ts';
import { mirroredStep, rotatedStep, SQUARE, step, type Step } from './step.ts';
import { symmetryElements } from './symmetryElements.ts';
import { type Repeat, withStep } from './repeat.ts';
import type { Point } from '../geometry/index.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const side = fc.double({ min: 5, max: 200, noNaN: true });
const anySmallRepeat = repeatsOf(side, side, anyStep);

const windowOf = ({ domain }: Lattice) => ({ left: 0, top: 0, right: domain.width, bottom: domain.height });

/** How many centres of each order, mirrors and glides there are for each point of the lattice, a step's cell 30 mm wide. */
function counts(next: Step): Record<string, number> {
  const repeat: Repeat = withStep({ width: 30, height: 20, step: SQUARE }, next);
  const lattice = latticeOf(repeat);
  const { width, height } = lattice.domain;
  // Half open, off the elements, so that none is counted at both edges.
  const by = { x: 0.0371 * width, y: 0.0173 * height };
  const window = { left: by.x, top: by.y, right: width + by.x, bottom: height + by.y };
  const { centres } = symmetryElements(lattice, window);
  const found: Record<string, number> = {};
  for (const { order } of centres) found[order] = (found[order] ?? 0) + 1;
  return found;
}

describe('the axes and centres of a step', () => {
  it('take every point to one that the step shows: rotated about a centre, reflected about a mirror or a glide', () => {
    fc.assert(
      fc.property(anySmallRepeat, anyPoint, (repeat, p) => {
        const lattice = latticeOf(repeat);
        const { centres, axes } = symmetryElements(lattice, windowOf(lattice));
        const isShown = (at: Point): void => expect(orbitDistance(lattice, at, p)).toBeLessThan(1e-6);
        for (const { x, y, order } of centres) {
          const turn = (2 * Math.PI) / order;
          const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
          isShown({ x: x + (p.x - x) * cos - (p.y - y) * sin, y: y + (p.x - x) * sin + (p.y - y) * cos });
        }
        for (const { from, to, glides } of axes) {
          const length = Math.hypot(to.x - from.x, to.y - from.y);
          const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
          const far = (p.y - from.y) * along.x - (p.x - from.x) * along.y;
          const reflected = { x: p.x + 2 * far * along.y, y: p.y - 2 * far * along.x };
          if (!glides) isShown(reflected);
          // What is reflected twice about a glide has moved by a vector of the lattice, half of which is its glide.
          else
            expect(
              Math.min(
                ...glidesAlong(lattice, along).map((by) =>
                  orbitDistance(lattice, { x: reflected.x + by * along.x, y: reflected.y + by * along.y }, p),
                ),
              ),
            ).toBeLessThan(1e-6);
        }
      }),
    );
  });

  it('are all there: as many centres for each point of the lattice as the group has', () => {
    expect(counts(rotatedStep(SQUARE, 'half'))).toEqual({ 2: 4 });
    expect(counts(rotatedStep(step('brick', 2, 5), 'half'))).toEqual({ 2: 4 });
    expect(counts(rotatedStep(SQUARE, 'quarter'))).toEqual({ 4: 2, 2: 2 });
    expect(counts(mirroredStep(SQUARE, 'p4m'))).toEqual({ 4: 2, 2: 2 });
    expect(counts(mirroredStep(SQUARE, 'p4g'))).toEqual({ 4: 2, 2: 2 });
    expect(counts(rotatedStep(SQUARE, 'third'))).toEqual({ 3: 3 });
    expect(counts(mirroredStep(SQUARE, 'p3m1'))).toEqual({ 3: 3 });
    expect(counts(mirroredStep(SQUARE, 'p31m'))).toEqual({ 3: 3 });
    expect(counts(rotatedStep(SQUARE, 'sixth'))).toEqual({ 6: 1, 3: 2, 2: 3 });
    expect(counts(mirroredStep(SQUARE, 'p6m'))).toEqual({ 6: 1, 3: 2, 2: 3 });
    expect(counts(mirroredStep(SQUARE, 'both'))).toEqual({ 2: 4 });
    expect(counts(mirroredStep(SQUARE, 'columns'))).toEqual({});
  });

  it('run along the sides of cells that are mirrored on every side', () => {
    for (const next of [
      mirroredStep(SQUARE, 'both'),
      mirroredStep(SQUARE, 'p4m'),
      mirroredStep(SQUARE, 'p3m1'),
      mirroredStep(SQUARE, 'p6m'),
    ]) {
      const lattice = latticeOf(withStep({ width: 60, height: 40, step: SQUARE }, next));
      const { axes } = symmetryElements(lattice, windowOf(lattice));
      const mirrors = axes.filter(({ glides }) => !glides);
      lattice.cell.corners.forEach((p, n) => {
        const q = lattice.cell.corners[(n + 1) % lattice.cell.corners.length] as Point;
        const isOn = ({ x, y }: Point, { from, to }: (typeof mirrors)[number]): boolean =>
          Math.abs((x - from.x) * (to.y - from.y) - (y - from.y) * (to.x - from.x)) <
          1e-6 * Math.hypot(to.x - from.x, to.y - from.y);
        expect(mirrors.some((mirror) => isOn(p, mirror) && isOn(q, mirror))).toBe(true);
      });
    }
  });
});

/** Half of every short vector of the lattice along a direction. */
function glidesAlong({ a, b }: Lattice, along: Point): number[] {
  const steps = Array.from({ length: 25 }, (_, n) => n - 12);
  return steps.flatMap((i) =>
    steps.flatMap((j) => {
      const [x, y] = [i * a.x + j * b.x, i * a.y + j * b.y];
      return Math.abs(x * along.y - y * along.x) < 1e-6 ? [(x * along.x + y * along.y) / 2] : [];
    }),
  );
}
