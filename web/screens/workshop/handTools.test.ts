import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_STEPS } from '../../../core/recipe/index.ts';
import { boxBetween, levelling, NO_CUT, straightenedBy, toggledLeftOut } from './handTools.ts';

describe('the hand on the sheet', () => {
  it('lays a drawn line level or upright, whichever is nearer', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -44, max: 44, noNaN: true }),
        fc.constantFrom(0, 90, 180, 270),
        fc.double({ min: 5, max: 500, noNaN: true }),
        (off, way, length) => {
          const angle = ((way + off) * Math.PI) / 180;
          expect(
            levelling([
              { x: 7, y: 9 },
              { x: 7 + length * Math.cos(angle), y: 9 + length * Math.sin(angle) },
            ]),
          ).toBeCloseTo(-off, 6);
        },
      ),
    );
  });

  it('straightens on top of what was straightened, within what makes sense', () => {
    expect(straightenedBy({ ...NO_STEPS, straighten: 2 }, -0.504).straighten).toBe(1.5);
    expect(straightenedBy({ ...NO_STEPS, straighten: 40 }, 30).straighten).toBe(45);
  });

  it('crops to the box between two corners, however they were drawn', () => {
    expect(
      boxBetween([
        { x: 30, y: 5 },
        { x: 10, y: 25 },
      ]),
    ).toEqual({ left: 10, top: 5, right: 30, bottom: 25 });
  });

  it('leaves a drawing out and takes it in again, by any point in it', () => {
    const out = toggledLeftOut(NO_CUT, { x: 1, y: 1 }, false, () => false);
    expect(out.without).toEqual([{ x: 1, y: 1 }]);
    const more = toggledLeftOut(out, { x: 9, y: 9 }, false, () => false);
    expect(toggledLeftOut(more, { x: 2, y: 2 }, true, ({ x }) => x < 5).without).toEqual([{ x: 9, y: 9 }]);
  });
});
