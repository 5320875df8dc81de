import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, inverse } from '../document/index.ts';
import { poseMatrix, transform } from '../geometry/index.ts';
import {
  honeycombOf,
  keepsProportion,
  proportionOf,
  LARGEST_CELL_MM,
  latticeOf,
  latticeTranslate,
  nearestDifference,
  type Repeat,
  SMALLEST_CELL_MM,
} from '../lattice/index.ts';
import { anyDesign, anyRepeat } from '../testing/arbitraries.ts';
import { resizeCell, scaleCell, setModule } from './resizeCell.ts';

const anyLength = fc.double({ min: -50, max: 9000, noNaN: true });
const anySide = fc.constantFrom('width' as const, 'height' as const);
const anyModule = fc.double({ min: 0.5, max: 400, noNaN: true });

const isMultiple = (mm: number, of: number): boolean => Math.abs(mm / of - Math.round(mm / of)) < 1e-6;
const isCell = ({ width, height }: Repeat): boolean =>
  Math.min(width, height) >= SMALLEST_CELL_MM - 1e-9 && Math.max(width, height) <= LARGEST_CELL_MM + 1e-9;

describe('the size of the cell', () => {
  it('is what was typed, within what a cell can be, and the other side stays', () => {
    fc.assert(
      fc.property(anyRepeat, anySide, anyLength, (repeat, side, mm) => {
        const next = resizeCell(repeat, side, mm);
        const proportion = proportionOf(repeat.step) ?? 1;
        // Neither side may become larger or smaller than a cell can be.
        const share = side === 'width' ? Math.min(1, proportion) : Math.min(1, 1 / proportion);
        const long = side === 'width' ? Math.max(1, proportion) : Math.max(1, 1 / proportion);
        expect(next[side]).toBeCloseTo(Math.min(LARGEST_CELL_MM / long, Math.max(SMALLEST_CELL_MM / share, mm)), 9);
        const other = side === 'width' ? 'height' : 'width';
        if (proportionOf(repeat.step) === undefined) expect(next[other]).toBe(repeat[other]);
        expect(keepsProportion(next)).toBe(true);
      }),
    );
  });

  it('keeps to multiples of a module', () => {
    fc.assert(
      fc.property(anyRepeat, anySide, anyLength, anyModule, fc.boolean(), (repeat, side, mm, module, isHeld) => {
        const base = setModule(isHeld ? { ...repeat, held: true } : repeat, module);
        const next = resizeCell(base, side, mm);
        for (const one of [base, next]) {
          // Of two sides that follow each other the longer is one.
          const isEither = ![undefined, 1].includes(proportionOf(one.step));
          const isOne = [one.width, one.height].map((length) => isMultiple(length, module));
          expect(isEither ? isOne[one.width > one.height ? 0 : 1] : isOne[0] && isOne[1]).toBe(true);
          expect(isCell(one)).toBe(true);
        }
        expect(setModule(base, undefined).module).toBeUndefined();
        const within = Math.min(LARGEST_CELL_MM, Math.max(SMALLEST_CELL_MM, mm));
        const proportion = proportionOf(repeat.step) ?? 1;
        if (proportion === 1) expect(Math.abs(next[side] - within)).toBeLessThanOrEqual(module);
      }),
    );
  });

  it('keeps its proportions where they are held, and those of a hexagon always', () => {
    fc.assert(
      fc.property(anyRepeat, anySide, anyLength, (repeat, side, mm) => {
        const held = resizeCell({ ...repeat, held: true }, side, mm);
        if (repeat.width / repeat.height < 50 && repeat.height / repeat.width < 50)
          expect(held.width / held.height).toBeCloseTo(repeat.width / repeat.height, 6);
        const comb = resizeCell(
          honeycombOf({ ...repeat, width: Math.max(10, repeat.width), height: Math.max(10, repeat.height) }),
          side,
          mm,
        );
        expect(keepsProportion(comb)).toBe(true);
        for (const one of [held, comb]) expect(isCell(one)).toBe(true);
      }),
    );
  });

  it('takes what lies in it along: every instance where the stretched cloth has it', () => {
    fc.assert(
      fc.property(
        anyDesign(),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (loose, x, y) => {
          const design = apply(
            { ...loose, placements: [] },
            { type: 'insert', placements: loose.placements.map((placement, index) => ({ index, placement })) },
          );
          const repeat = { ...design.repeat, width: design.repeat.width * x, height: design.repeat.height * y };
          const command = scaleCell(design, repeat);
          if (!command) return;
          const after = apply(design, command);
          expect(apply(after, inverse(design, command))).toEqual(design);
          const [before, now] = [latticeOf(design.repeat), latticeOf(repeat)];
          const step = latticeTranslate(before, { i: 1, j: 2 });
          const stretched = latticeTranslate(now, { i: 1, j: 2 });
          expect(stretched.x).toBeCloseTo(step.x * x, 6);
          expect(stretched.y).toBeCloseTo(step.y * y, 6);
          after.placements.forEach((placement, n) => {
            const was = transform(poseMatrix(design.placements[n] ?? placement), { x: 3, y: -7 });
            const is = transform(poseMatrix(placement), { x: 3, y: -7 });
            const apart = nearestDifference(now, is, { x: was.x * x, y: was.y * y });
            expect(Math.hypot(apart.x, apart.y)).toBeLessThan(1e-6);
          });
        },
      ),
    );
  });
});
