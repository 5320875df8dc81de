import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, inverse } from '../document/command.ts';
import { cornersAround } from '../document/placement.ts';
import { anyDesign, anyPlacementFields, anyPoint, leafAt, LEAF_RECORD } from '../testing/arbitraries.ts';
import { duplicate } from './duplicate.ts';
import { resized, turnedBy, withinTurn, type Corner } from './pins.ts';
import { restack } from './restack.ts';

const anyPlacement = anyPlacementFields.map((fields) => leafAt('a', fields));

describe('pins', () => {
  it('resize about the opposite corner or the centre, which stays where it is', () => {
    fc.assert(
      fc.property(anyPlacement, fc.constantFrom<Corner>(0, 1, 2, 3), anyPoint, fc.boolean(), (placement, corner, to, aboutCentre) => {
        const after = { ...placement, ...resized(placement, LEAF_RECORD, corner, to, aboutCentre) };
        const opposite = ((corner + 2) % 4) as Corner;
        const fixed = (one: typeof placement): { x: number; y: number } =>
          aboutCentre ? { x: one.x, y: one.y } : { x: one.x + cornersAround(one, LEAF_RECORD)[opposite].x, y: one.y + cornersAround(one, LEAF_RECORD)[opposite].y };
        expect(fixed(after).x).toBeCloseTo(fixed(placement).x, 8);
        expect(fixed(after).y).toBeCloseTo(fixed(placement).y, 8);
      }),
    );
  });

  it('bring the corner exactly to the pointer along the diagonal', () => {
    const placement = leafAt('a', { x: 10, y: 10 });
    const corner = cornersAround(placement, LEAF_RECORD)[2];
    const change = resized(placement, LEAF_RECORD, 2, { x: 10 + 3 * corner.x, y: 10 + 3 * corner.y }, true);
    expect(change.scale).toBeCloseTo(3, 12);
  });

  it('turn by as much as the pointer went round, in steps where wished', () => {
    const placement = leafAt('a', { turn: 10 });
    expect(turnedBy(placement, { x: 5, y: 0 }, { x: 0, y: 5 }, 0).turn).toBeCloseTo(100, 9);
    expect(turnedBy(placement, { x: 5, y: 0 }, { x: 0, y: 5 }, 15).turn).toBe(105);
    expect(withinTurn(-180)).toBe(180);
    expect(withinTurn(540)).toBe(180);
    expect(withinTurn(-360)).toBe(0);
  });
});

describe('the stack', () => {
  it('keeps every motif when some go to the front or the back, and is undone exactly', () => {
    fc.assert(
      fc.property(anyDesign(undefined, 8), fc.constantFrom('front' as const, 'back' as const), fc.infiniteStream(fc.boolean()), (start, to, stream) => {
        const design = apply(start, { type: 'repeat', repeat: start.repeat });
        const ids = design.placements.map(({ id }) => id).filter(() => stream.next().value);
        const command = restack(design, ids, to);
        const after = apply(design, command).placements.map(({ id }) => id);
        const rest = design.placements.map(({ id }) => id).filter((id) => !ids.includes(id));
        expect(after).toEqual(to === 'front' ? [...rest, ...ids] : [...ids, ...rest]);
        expect(apply(apply(design, command), inverse(design, command))).toEqual(design);
      }),
    );
  });

  it('takes copies directly above what they are copies of', () => {
    fc.assert(
      fc.property(anyDesign(undefined, 6), fc.infiniteStream(fc.boolean()), (design, stream) => {
        const ids = design.placements.map(({ id }) => id).filter(() => stream.next().value);
        let n = 0;
        const { command } = duplicate(design, ids, { x: 3, y: -4 }, () => `copy-${(n += 1)}`);
        const after = apply(design, command).placements.map(({ id }) => id);
        let k = 0;
        expect(after).toEqual(design.placements.flatMap(({ id }) => (ids.includes(id) ? [id, `copy-${(k += 1)}`] : [id])));
      }),
    );
  });
});
