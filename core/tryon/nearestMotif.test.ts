import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyOpToPoint, latticeOf, latticeTranslate } from '../lattice/index.ts';
import { anyDesign, anyPoint } from '../testing/arbitraries.ts';
import { nearestMotif } from './nearestMotif.ts';

describe('the nearest motif', () => {
  it('is nearer than any other repeat of any motif, and is one of them', () => {
    fc.assert(
      fc.property(anyDesign(), anyPoint, (design, point) => {
        const found = nearestMotif(design, point);
        const lattice = latticeOf(design.repeat);
        const hidden = new Set(design.layers.filter(({ shown }) => !shown).map(({ id }) => id));
        const shown = design.placements.filter(({ layer }) => !hidden.has(layer));
        expect(found === undefined).toBe(shown.length === 0);
        if (!found) return;
        const away = Math.hypot(found.x - point.x, found.y - point.y);
        let least = Infinity;
        for (const placement of shown)
          for (const op of lattice.ops) {
            const at = applyOpToPoint(op, placement);
            // Around the cell that the point is in: farther repeats cannot be nearer than these by more than their rounding.
            const det = lattice.a.x * lattice.b.y - lattice.a.y * lattice.b.x;
            const [dx, dy] = [point.x - at.x, point.y - at.y];
            const [i, j] = [
              Math.round((dx * lattice.b.y - dy * lattice.b.x) / det),
              Math.round((lattice.a.x * dy - lattice.a.y * dx) / det),
            ];
            for (let di = -3; di <= 3; di += 1)
              for (let dj = -3; dj <= 3; dj += 1) {
                const by = latticeTranslate(lattice, { i: i + di, j: j + dj });
                least = Math.min(least, Math.hypot(at.x + by.x - point.x, at.y + by.y - point.y));
              }
          }
        expect(away).toBeCloseTo(least, 5);
      }),
    );
  });
});
