import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rotationMatrix, transform } from '../geometry/index.ts';
import { latticeDistance, latticeOf, type Repeat, step } from '../lattice/index.ts';
import { rollPrint } from './rollPrint.ts';

const cell = { width: 265, height: 320 };
const square: Repeat = { ...cell, step: step('square') };
const halfDrop: Repeat = { ...cell, step: step('half-drop') };
const brick: Repeat = { ...cell, step: step('brick') };

describe('a pattern on rolls', () => {
  it('meets straight or half a repeat lower, as its columns do', () => {
    expect(rollPrint(halfDrop, 1, 0)?.match(265)).toBe('half-drop');
    expect(rollPrint(halfDrop, 1, 0)?.match(530)).toBe('straight');
    expect(rollPrint(halfDrop, 1, 0)?.match(640)).toBeUndefined();
    expect(rollPrint(halfDrop, 2, 0)?.match(530)).toBe('half-drop');
    expect(rollPrint(square, 1, 0)?.match(3 * 265)).toBe('straight');
    expect(rollPrint(square, 1, 0)?.match(80)).toBeUndefined();
    const third: Repeat = { ...cell, step: { kind: 'half-drop', drop: { p: 1, q: 3 } } };
    expect(rollPrint(third, 1, 0)?.match(265)).toBeUndefined();
    expect(rollPrint(third, 1, 0)?.match(3 * 265)).toBe('straight');
  });

  it('repeats after two rows of a brick, whose columns lie half a cell apart', () => {
    expect(rollPrint(brick, 1, 0)).toMatchObject({ up: 640, across: 132.5 });
    expect(rollPrint(brick, 1, 0)?.match(132.5)).toBe('half-drop');
    expect(rollPrint(brick, 1, 0)?.match(265)).toBe('straight');
  });

  it('is a brick where a half-drop lies on its side', () => {
    const turned = rollPrint(halfDrop, 1, 90);
    expect(turned?.up).toBeCloseTo(530, 9);
    expect(turned?.across).toBeCloseTo(160, 9);
    expect(turned?.match(320)).toBe('straight');
  });

  it('never repeats up the roll at most other angles', () => {
    expect(rollPrint(square, 1, 20)).toBeUndefined();
    expect(rollPrint({ width: 100, height: 100, step: step('square') }, 1, 45)?.up).toBeCloseTo(
      Math.hypot(100, 100),
      6,
    );
  });

  it('is the same again where it is said to be', () => {
    const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        real(20, 900),
        real(20, 900),
        fc.constantFrom(step('square'), step('half-drop'), step('brick')),
        real(0.2, 4),
        fc.constantFrom(0, 90, 180, -90),
        fc.integer({ min: 1, max: 6 }),
        (width, height, kind, scale, rotation, columns) => {
          const repeat: Repeat = { width, height, step: kind };
          const print = rollPrint(repeat, scale, rotation);
          expect(print).toBeDefined();
          if (!print) return;
          const lattice = latticeOf(repeat);
          const isSame = (x: number, y: number): boolean => {
            const back = transform(rotationMatrix(-rotation), { x: x / scale, y: y / scale });
            return latticeDistance(lattice, back.x, back.y) < 1e-6 * (width + height);
          };
          expect(isSame(0, print.up)).toBe(true);
          expect(isSame(0, print.up / 2)).toBe(false);
          const match = print.match(columns * print.across);
          expect(isSame(columns * print.across, match === 'straight' ? 0 : print.up / 2)).toBe(match !== undefined);
        },
      ),
    );
  });
});
