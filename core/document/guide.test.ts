import fc from 'fast-check';
import { expect, it } from 'vitest';
import { applyOpToPoint, latticeOf } from '../lattice/index.ts';
import { anyRepeat } from '../testing/arbitraries.ts';
import { guideLines } from './guide.ts';

it('lies wherever the step’s operations take it, each line once, its own axis first', () => {
  fc.assert(
    fc.property(
      anyRepeat,
      fc.constantFrom('x', 'y'),
      fc.double({ min: -50, max: 900, noNaN: true }),
      (repeat, axis, at) => {
        const lattice = latticeOf(repeat);
        const { ops, domain } = lattice;
        const lines = guideLines({ axis, at }, lattice);
        expect(lines[0]?.axis).toBe(axis);
        expect(new Set(lines.map((line) => `${line.axis} ${line.at}`)).size).toBe(lines.length);
        const apart = (a: number, b: number, size: number): number =>
          Math.abs(a - b - Math.round((a - b) / size) * size);
        for (const op of ops) {
          if (op.rotation % 90 !== 0) continue;
          const seen = op.rotation % 180 === 0 ? axis : axis === 'x' ? 'y' : 'x';
          const size = seen === 'x' ? domain.width : domain.height;
          const there = applyOpToPoint(op, { x: at, y: at })[seen];
          expect(lines.some((line) => line.axis === seen && apart(line.at, there, size) < 1e-6)).toBe(true);
        }
        for (const line of lines) {
          expect(line.at).toBeGreaterThan(-1e-9);
          expect(line.at - 1e-9).toBeLessThanOrEqual(line.axis === 'x' ? domain.width : domain.height);
        }
      },
    ),
  );
});
