import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, type Design, designSchema, inksOfGround, inverse, NO_GROUND } from '../document/index.ts';
import { anyDesign } from '../testing/arbitraries.ts';
import { addInk, changeGroundKind, colourGround, GROUND_KINDS } from './groundEdits.ts';

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

describe('a colour for the ground', () => {
  it('goes to its first ink in one colourway, and makes a ground where there is none', () => {
    fc.assert(
      fc.property(anyDesign(), fc.boolean(), (design, bare) => {
        const before: Design = bare ? { ...design, ground: NO_GROUND } : design;
        const command = colourGround(before, 'base', '#204060');
        if (!command) expect.fail('its ink is not locked');
        const after = apply(before, command);
        expect(after.ground).toEqual({ kind: 'flat', ink: 'ground' });
        expect(after.colourways[0]?.colours['ground']).toBe('#204060');
        expect(apply(after, inverse(before, command))).toEqual(before);
        const locked = { ...before, inks: before.inks.map((ink) => ({ ...ink, locked: true as const })) };
        expect(colourGround(locked, 'base', '#204060')).toBeUndefined();
      }),
    );
  });

  it('or becomes a new ink, after all others', () => {
    fc.assert(
      fc.property(anyDesign(), (design) => {
        const after = apply(design, addInk(design, { id: 'new', name: 'New' }, '#204060'));
        expect(after.inks.at(-1)).toEqual({ id: 'new', name: 'New', prints: [] });
        for (const { colours } of after.colourways) expect(colours['new']).toBe('#204060');
      }),
    );
  });
});
