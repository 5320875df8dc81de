import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyRepeat } from '../testing/arbitraries.ts';
import { closingWaves } from './closingWaves.ts';
import { latticeOf } from './lattice.ts';
import { step } from './step.ts';

const wished = fc
  .record({ across: fc.integer({ min: -60, max: 60 }), down: fc.integer({ min: -60, max: 60 }) })
  .filter(({ across, down }) => across !== 0 || down !== 0);

describe('waves that close', () => {
  it('grow by whole numbers along both vectors of every lattice, in the direction wished for', () => {
    fc.assert(
      fc.property(anyRepeat, wished, (repeat, wish) => {
        const { waves } = closingWaves(repeat, wish);
        const { a, b, domain } = latticeOf(repeat);
        for (const { x, y } of [a, b]) {
          const phase = (waves.across * x) / domain.width + (waves.down * y) / domain.height;
          expect(Math.abs(phase - Math.round(phase))).toBeLessThan(1e-9);
        }
        const [columns, rows] = [Math.round(domain.width / repeat.width), Math.round(domain.height / repeat.height)];
        const turned = waves.across * wish.down * rows - waves.down * wish.across * columns;
        expect(turned).toBe(0);
        expect(waves.across * wish.across + waves.down * wish.down).toBeGreaterThan(0);
      }),
    );
  });

  it('are as many as wished for where those close, and no direction has fewer than the least', () => {
    fc.assert(
      fc.property(anyRepeat, wished, (repeat, wish) => {
        const { waves, least } = closingWaves(repeat, wish);
        const { a, b, domain } = latticeOf(repeat);
        const closes = (across: number, down: number): boolean =>
          [a, b].every(({ x, y }) => {
            const phase = (across * x) / domain.width + (down * y) / domain.height;
            return Math.abs(phase - Math.round(phase)) < 1e-9;
          });
        const columns = Math.round(domain.width / repeat.width);
        const rows = Math.round(domain.height / repeat.height);
        if (closes(wish.across * columns, wish.down * rows))
          expect(waves).toEqual({ across: wish.across * columns || 0, down: wish.down * rows || 0 });
        const [u, v] = [Math.abs(least.across), Math.abs(least.down)];
        const signs = [Math.sign(least.across), Math.sign(least.down)] as const;
        for (let part = 2; part <= 24; part++)
          if (u % part === 0 && v % part === 0)
            expect(closes((signs[0] * u) / part, (signs[1] * v) / part)).toBe(false);
      }),
    );
  });

  it('are the next number of level ones that a half-drop lets through', () => {
    const repeat = { width: 100, height: 80, step: step('half-drop', 1, 2) };
    expect(closingWaves(repeat, { across: 0, down: 5 })).toEqual({
      waves: { across: 0, down: 6 },
      least: { across: 0, down: 2 },
      cells: { across: 1, down: 1 },
    });
    expect(closingWaves(repeat, { across: 3, down: 0 }).waves).toEqual({ across: 3, down: 0 });
    expect(() => closingWaves(repeat, { across: 0, down: 0 })).toThrow(RangeError);
  });
});
