import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Hex, isHex, oklchOf } from '../colour/index.ts';
import { apply, type Colourway, type Design, newDesign, NO_GROUND } from '../document/index.ts';
import { SQUARE } from '../lattice/index.ts';
import { fillFromPalette } from './fillFromPalette.ts';
import {
  exchangeGround,
  isExchanged,
  makeAnalogous,
  makeComplementary,
  MOODS,
  setMood,
  surprise,
  takePalette,
  turnHues,
} from './proposals.ts';
import { type Proposal, propose, type ProposedInk } from './propose.ts';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);
const inks = fc.array(fc.tuple(hex, fc.boolean()), { minLength: 1, maxLength: 9 }).map((list) =>
  list.map(([colour, locked], n): ProposedInk => ({
    id: `i${n}`,
    hex: colour,
    locked,
    isGround: n === 0,
    ...oklchOf(colour),
  })),
);
const proposal: fc.Arbitrary<Proposal> = fc.oneof(
  fc.integer({ min: 0, max: 360 }).map(turnHues),
  fc.constantFrom(...MOODS).map(setMood),
  fc.constantFrom(makeComplementary, makeAnalogous),
  fc.nat(1000).map(surprise),
  fc.array(hex, { maxLength: 12 }).map(takePalette),
);
/** What 8 bits can change of a lightness, in the dark most. */
const ROUNDING = 0.012;

function expectOrdered(given: readonly ProposedInk[], colours: Readonly<Record<string, Hex>>): void {
  const rising = [...given].sort((a, b) => a.l - b.l).map(({ id }) => oklchOf(colours[id] as Hex).l);
  for (const [n, l] of rising.entries()) expect(l).toBeGreaterThanOrEqual((rising[n - 1] ?? 0) - ROUNDING);
}

const inkOf = (colour: Hex, rest: Partial<ProposedInk> = {}): ProposedInk => ({
  id: colour,
  hex: colour,
  locked: false,
  isGround: false,
  ...oklchOf(colour),
  ...rest,
});

describe('a proposal', () => {
  it('of any kind has a colour of sRGB for every ink, leaves locked ones alone, and keeps the order of lightness', () => {
    fc.assert(
      fc.property(inks, proposal, (given, way) => {
        const colours = propose(given, way);
        expect(Object.keys(colours).sort()).toEqual(given.map(({ id }) => id).sort());
        for (const { id, locked, hex } of given) {
          expect(isHex(colours[id])).toBe(true);
          if (locked) expect(colours[id]).toBe(hex);
        }
        expectOrdered(given, colours);
      }),
      { numRuns: 400 },
    );
  });

  it('that exchanges the ground keeps the others in order, and clear of it', () => {
    fc.assert(
      fc.property(inks, (all) => {
        const given = all.map((ink) => ({ ...ink, locked: false }));
        const colours = propose(given, exchangeGround, isExchanged);
        expectOrdered(
          given.filter(({ isGround }) => !isGround),
          colours,
        );
      }),
    );
    const [sand, kelp, foam] = [inkOf('#f2eee4', { isGround: true }), inkOf('#24404a'), inkOf('#ffffff')];
    const colours = propose([sand, kelp, foam], exchangeGround, isExchanged);
    const ground = oklchOf(colours[sand.id] as Hex).l;
    expect(ground).toBeLessThan(0.3);
    for (const { id } of [kelp, foam]) expect(oklchOf(colours[id] as Hex).l).toBeGreaterThan(ground + 0.15);
  });

  it('turns hues by the angle, and by a whole turn not at all', () => {
    const madder = inkOf('#a05040');
    expect(propose([madder], turnHues(360))[madder.id]).toBe('#a05040');
    const turned = oklchOf(propose([madder], turnHues(120))[madder.id] as Hex);
    expect(turned.h).toBeCloseTo(madder.h + 120, 0);
    expect(turned.l).toBeCloseTo(madder.l, 2);
  });

  it('takes the nearest colours of a palette, each once where there are enough', () => {
    const given = [inkOf('#202428'), inkOf('#a04030'), inkOf('#f0ece0')];
    const palette: Hex[] = ['#fbf8f0', '#111520', '#963828', '#3a7a9a'];
    expect(propose(given, takePalette(palette))).toEqual({
      '#202428': '#111520',
      '#a04030': '#963828',
      '#f0ece0': '#fbf8f0',
    });
    const few = propose(given, takePalette(['#305060']));
    expect(new Set(Object.values(few)).size).toBe(3);
    expect(propose(given, takePalette([]))).toEqual(Object.fromEntries(given.map(({ id, hex }) => [id, hex])));
  });

  it('by chance is the same for the same seed', () => {
    const given = [inkOf('#202428'), inkOf('#a04030'), inkOf('#f0ece0')];
    expect(propose(given, surprise(5))).toEqual(propose(given, surprise(5)));
    expect(propose(given, surprise(5))).not.toEqual(propose(given, surprise(6)));
  });

  it('draws analogous hues together, and complementary ones to two ends', () => {
    const given = ['#a04030', '#a08030', '#4060a0', '#309060'].map((colour) => inkOf(colour as Hex));
    const spread = (way: Proposal): number => {
      const hues = Object.values(propose(given, way)).map((colour) => oklchOf(colour).h);
      return Math.max(...hues.map((a) => Math.max(...hues.map((b) => 180 - Math.abs(180 - Math.abs(a - b))))));
    };
    expect(spread(makeAnalogous)).toBeLessThan(60);
    expect(spread(makeComplementary)).toBeGreaterThan(120);
  });
});

describe('a colourway filled from a palette', () => {
  it('has the palette’s own colours, none twice where there are enough, and locked inks as they were', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(hex, { minLength: 1, maxLength: 8 }),
        fc.array(fc.tuple(hex, fc.boolean()), { minLength: 1, maxLength: 8 }),
        (palette, list) => {
          const design: Design = {
            ...newDesign('d', 'Design', { width: 10, height: 10, step: SQUARE }),
            ground: NO_GROUND,
            inks: list.map(([, locked], n) => ({ id: `i${n}`, name: `${n}`, prints: [], ...(locked && { locked }) })),
            colourways: [
              { id: 'base', name: 'Base', colours: Object.fromEntries(list.map(([colour], n) => [`i${n}`, colour])) },
            ],
          };
          const { colours } = apply(design, fillFromPalette(design, 'base', palette)).colourways[0] as Colourway;
          const free = list.flatMap(([, locked], n) => (locked ? [] : [colours[`i${n}`] as Hex]));
          for (const [n, [colour, locked]] of list.entries()) if (locked) expect(colours[`i${n}`]).toBe(colour);
          for (const colour of free) expect(palette).toContain(colour);
          if (free.length <= palette.length) expect(new Set(free).size).toBe(free.length);
        },
      ),
    );
  });
});
