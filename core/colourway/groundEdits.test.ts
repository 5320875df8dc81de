import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, designSchema, inksOfGround, inverse } from '../document/index.ts';
import { anyDesign } from '../testing/arbitraries.ts';
import { changeGroundKind, GROUND_KINDS } from './groundEdits.ts';

const newInk = (): { id: string; name: string } => ({ id: 'shade', name: 'Shade' });

describe('another kind of ground', () => {
  it('keeps the inks that there are, adds one where two are needed, and is undone', () => {
    fc.assert(
      fc.property(
        anyDesign(),
        fc.array(fc.constantFrom(...GROUND_KINDS), { minLength: 1, maxLength: 5 }),
        (design, kinds) => {
          let now = design;
          for (const kind of kinds) {
            const command = changeGroundKind(now, kind, newInk);
            if (!command) expect.fail('there is an ink');
            const next = apply(now, command);
            expect(next.ground.kind).toBe(kind);
            expect(designSchema.isValidSync(next, { strict: true })).toBe(true);
            const [first] = inksOfGround(next.ground);
            if (kind !== 'none') expect(first).toBe('ground');
            expect(apply(next, inverse(now, command))).toEqual(now);
            // A second ink is added once, and not again for the next kind that needs it.
            if (inksOfGround(now.ground).length > 1) expect(next.inks).toEqual(now.inks);
            now = kind === 'none' || kind === 'flat' ? design : next;
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
