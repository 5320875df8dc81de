import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { colourDifference, type Hex } from '../colour/index.ts';
import { apply, type Design, inkResolver, inverse, newDesign, newPlacement, replaceMotifs } from '../document/index.ts';
import { SQUARE } from '../lattice/index.ts';
import { weakPairs } from './contrast.ts';
import { labelPixels, measureEdges, NO_INK } from './inkEdges.ts';
import { inksByUse } from './inkUse.ts';
import {
  colourInk,
  lockInk,
  mergeInks,
  motifsOfInk,
  splitInk,
  splitInkByMotif,
  swapColours,
  unusedInks,
} from './inkEdits.ts';
import { addColourway } from './newColourway.ts';
import { reduceInks } from './reduceInks.ts';
import { withBase } from './withBase.ts';

const blank = newDesign('d', 'Kelp', { width: 60, height: 40, step: SQUARE });
const design: Design = {
  ...blank,
  inks: [
    ...blank.inks,
    { id: 'red', name: 'Red', prints: ['#aa0000', '#bb1111'] },
    { id: 'blue', name: 'Blue', prints: ['#0000aa'] },
  ],
  colourways: [
    { id: 'base', name: 'Base', colours: { ground: '#ffffff', red: '#b3402e', blue: '#204060' } },
    { id: 'dusk', name: 'Dusk', colours: { ground: '#203040', red: '#c0a0ff', blue: '#80ffee' } },
  ],
};
const after = (command: ReturnType<typeof mergeInks>): Design => {
  const done = apply(design, command);
  expect(apply(done, inverse(design, command))).toEqual(design);
  return done;
};

describe('an ink', () => {
  it('that is locked has its colour in every colourway', () => {
    const { inks, colourways } = after(lockInk(design, 'ground', 'base'));
    expect(inks[0]).toMatchObject({ id: 'ground', locked: true });
    expect(colourways.map(({ colours }) => colours['ground'])).toEqual(['#ffffff', '#ffffff']);
  });

  it('that is called by its colour is called by its new one; a name that was given stays', () => {
    const [teal, named] = ['#008080', '#c0a0ff'] as const;
    const turned = after(colourInk(design, 'red', 'base', teal));
    expect([turned.inks[1]?.name, turned.colourways[0]?.colours['red']]).toEqual(['Teal', teal]);
    // Another shade of the same name, or another colourway, changes no name.
    expect(after(colourInk(design, 'red', 'base', '#c04030')).inks).toEqual(design.inks);
    expect(after(colourInk(design, 'red', 'dusk', teal)).inks).toEqual(design.inks);
    const given: Design = { ...design, inks: design.inks.map((ink) => ({ ...ink, name: 'Madder' })) };
    expect(apply(given, colourInk(given, 'red', 'base', named)).inks).toEqual(given.inks);
    // A name that is taken gets a number, by which it is still known.
    const blue = apply(turned, { type: 'colour', colourway: 'base', ink: 'blue', colour: '#0040ff' });
    const numbered = apply(blue, colourInk(blue, 'blue', 'base', teal));
    expect(numbered.inks[2]?.name).toBe('Teal 2');
    expect(apply(numbered, colourInk(numbered, 'blue', 'base', '#ff0000')).inks[2]?.name).toBe('Red');
  });

  it('is merged into another, which prints all that both did, and the ground where it was in one of them', () => {
    const merged = after(mergeInks(design, ['red', 'ground'], 'blue'));
    expect(merged.inks).toEqual([{ id: 'blue', name: 'Blue', prints: ['#0000aa', '#aa0000', '#bb1111'] }]);
    expect(merged.ground).toEqual({ kind: 'flat', ink: 'blue' });
    expect(merged.colourways.map(({ colours }) => colours)).toEqual([{ blue: '#204060' }, { blue: '#80ffee' }]);
    for (const print of ['#aa0000', '#0000aa'] as const) expect(inkResolver(merged)(print)).toBe('#204060');
  });

  it('is split by a colour that it prints, and nothing looks otherwise before it is changed', () => {
    const split = after(splitInk(design, 'red', ['#bb1111'], { id: 'rust', name: 'Rust' }));
    expect(split.inks.map(({ id }) => id)).toEqual(['ground', 'red', 'rust', 'blue']);
    for (const { id } of design.colourways)
      for (const print of ['#aa0000', '#bb1111', '#0000aa'] as const)
        expect(inkResolver(split, id)(print)).toBe(inkResolver(design, id)(print));
  });

  it('is split by a motif, which alone changes from then on, until it is merged again', () => {
    const leaf = { id: 'leaf', inks: ['#aa0000', '#0000aa'] as Hex[] };
    const split = after(splitInkByMotif(design, 'red', leaf, { id: 'rust', name: 'Rust' }));
    expect(split.inks.map(({ id }) => id)).toEqual(['ground', 'red', 'rust', 'blue']);
    for (const { id } of design.colourways)
      for (const motif of ['leaf', 'shell'])
        for (const print of ['#aa0000', '#bb1111', '#0000aa'] as const)
          expect(inkResolver(split, id)(print, motif)).toBe(inkResolver(design, id)(print));
    const changed = apply(split, { type: 'colour', colourway: 'base', ink: 'rust', colour: '#00ff00' });
    const resolve = inkResolver(changed);
    expect([resolve('#aa0000', 'leaf'), resolve('#aa0000', 'shell'), resolve('#aa0000')]).toEqual([
      '#00ff00',
      '#b3402e',
      '#b3402e',
    ]);
    // What it does not print there stays.
    expect(resolve('#0000aa', 'leaf')).toBe('#204060');
    const motifs = new Map<string, { readonly inks: Hex[] }>([
      ['leaf', leaf],
      ['shell', { inks: ['#bb1111' as Hex] }],
    ]);
    const placed = {
      ...changed,
      placements: ['leaf', 'shell'].map((id) => newPlacement(id, { id }, { x: 0, y: 0 })),
    };
    expect(motifsOfInk(placed, motifs, 'rust')).toEqual(['leaf']);
    expect(motifsOfInk(placed, motifs, 'red')).toEqual(['shell']);
    // Where the motif becomes another one, its ink goes with it.
    const renamed = replaceMotifs(changed, new Map([['leaf', 'copy']]));
    expect(inkResolver(renamed)('#aa0000', 'copy')).toBe('#00ff00');
    // Split off again, nothing is left with the first.
    const again = apply(changed, splitInkByMotif(changed, 'rust', leaf, { id: 'ochre', name: 'Ochre' }));
    expect(again.inks.find(({ id }) => id === 'rust')).toEqual({ id: 'rust', name: 'Rust', prints: [] });
    const merged = apply(changed, mergeInks(changed, ['rust'], 'blue'));
    expect(inkResolver(merged)('#aa0000', 'leaf')).toBe('#204060');
    expect(inkResolver(merged)('#aa0000', 'shell')).toBe('#b3402e');
  });

  it('is unused where neither the ground nor a motif on the cloth is printed in it', () => {
    const placed = { ...design, placements: [newPlacement('a', { id: 'leaf' }, { x: 0, y: 0 })] };
    const motifs = new Map([['leaf', { inks: ['#bb1111' as Hex] }]]);
    expect(unusedInks(placed, motifs).map(({ id }) => id)).toEqual(['blue']);
  });

  it('changes its colour with another in one colourway', () => {
    const { colourways } = after(swapColours(design, 'dusk', 'red', 'ground'));
    expect(colourways[1]?.colours).toEqual({ ground: '#c0a0ff', red: '#203040', blue: '#80ffee' });
    expect(colourways[0]).toEqual(design.colourways[0]);
  });
});

describe('a colourway', () => {
  it('is added beside the one that it was made from, under a free name, with locked inks as they were', () => {
    const locked = apply(design, lockInk(design, 'ground'));
    const made = apply(locked, addColourway(locked, 'new', 'Dusk', 'base', { ground: '#000000', red: '#111111' }));
    expect(made.colourways.map(({ id, name }) => [id, name])).toEqual([
      ['base', 'Base'],
      ['new', 'Dusk 2'],
      ['dusk', 'Dusk'],
    ]);
    expect(made.colourways[1]?.colours).toEqual({ ground: '#ffffff', red: '#111111', blue: '#204060' });
  });

  it('becomes the base of what is painted', () => {
    expect(withBase(design, 'dusk').colourways.map(({ id }) => id)).toEqual(['dusk', 'base']);
    expect(withBase(design, undefined)).toBe(design);
  });
});

describe('measuring inks', () => {
  const anyTile = fc.tuple(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 2, max: 9 })).chain(([width, height]) =>
    fc.record({
      width: fc.constant(width),
      height: fc.constant(height),
      labels: fc.array(fc.constantFrom(0, 1, 2), { minLength: width * height, maxLength: width * height }),
    }),
  );

  it('counts each shared edge once, over the edges of the tile too', () => {
    fc.assert(
      fc.property(anyTile, ({ width, height, labels }) => {
        const expected = new Map<string, number>();
        for (let y = 0; y < height; y++)
          for (let x = 0; x < width; x++)
            for (const [i, j] of [
              [1, 0],
              [0, 1],
            ] as const) {
              const a = labels[y * width + x] as number;
              const b = labels[((y + j) % height) * width + ((x + i) % width)] as number;
              const key = `${Math.min(a, b)} ${Math.max(a, b)}`;
              if (a !== b) expected.set(key, (expected.get(key) ?? 0) + 1);
            }
        const edges = measureEdges(Uint8Array.from(labels), width, height);
        expect(new Map([...edges].sort())).toEqual(new Map([...expected].sort()));
      }),
    );
  });

  it('sees through a softened edge, and not through a broad one', () => {
    const row = (mixed: number): Uint8Array =>
      Uint8Array.from([
        0,
        0,
        0,
        ...new Array<number>(mixed).fill(NO_INK),
        1,
        1,
        1,
        ...new Array<number>(9).fill(NO_INK),
      ]);
    expect(measureEdges(row(3), 18, 1).get('0 1')).toBe(1);
    expect(measureEdges(row(4), 19, 1).get('0 1')).toBeUndefined();
  });

  it('labels pixels by their colours', () => {
    const data = Uint8ClampedArray.from([1, 2, 3, 255, 9, 9, 9, 255, 4, 5, 6, 255]);
    expect([...labelPixels(data, [0x010203, 0x040506])]).toEqual([0, NO_INK, 1]);
  });

  it('finds the pairs that touch and look alike, and in a way of seeing those that look alike in it', () => {
    const inks = [
      { id: 'red', colour: '#b3402e' as Hex },
      { id: 'rust', colour: '#b04a30' as Hex },
      { id: 'green', colour: '#6a7a2e' as Hex },
    ];
    const edges = measureEdges(Uint8Array.from([0, 0, 1, 1, 2, 2]), 6, 1);
    expect(weakPairs(inks, edges, 0.5)).toEqual([
      { a: 'red', b: 'rust', difference: colourDifference('#b3402e', '#b04a30'), edge: 0.5 },
    ]);
    expect(weakPairs(inks, edges, 0.5, 20, 'deuteranopia').map(({ a, b }) => `${a} ${b}`)).toContain('red green');
  });
});

describe('reducing inks', () => {
  it('leaves as many as are wished, each of which stands for itself, and never merges two locked ones', () => {
    const ink = fc.record({
      colour: fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`),
      area: fc.double({ min: 0, max: 1, noNaN: true }),
      locked: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(ink, { minLength: 1, maxLength: 12 }), fc.integer({ min: 1, max: 12 }), (list, most) => {
        const inks = list.map((ink, n) => ({ ...ink, id: `i${n}` }));
        const merges = reduceInks(inks, most);
        const gone = new Set(merges.map(({ from }) => from));
        const locked = inks.filter((one) => one.locked).length;
        expect(inks.length - gone.size).toBe(Math.min(inks.length, Math.max(most, locked)));
        for (const { from, into } of merges) {
          expect(gone.has(into)).toBe(false);
          expect(inks.find(({ id }) => id === from)?.locked).toBe(false);
        }
      }),
    );
  });

  it('merges what is alike and small into what is alike and large', () => {
    const merges = reduceInks(
      [
        { id: 'sea', colour: '#204060', area: 0.5 },
        { id: 'sea shade', colour: '#23435f', area: 0.01 },
        { id: 'madder', colour: '#b3402e', area: 0.1 },
        { id: 'rust', colour: '#b5442f', area: 0.2 },
      ],
      2,
    );
    expect(merges.map(({ from, into }) => `${from} > ${into}`).sort()).toEqual(['madder > rust', 'sea shade > sea']);
  });
});

describe('inks by use', () => {
  it('begin with the ground, then with what prints the most motifs', () => {
    const ink = (id: string, ...prints: Hex[]) => ({ id, name: id, prints });
    const placements = ['a', 'b', 'b', 'c'].map((motif, n) => ({
      ...newPlacement(`p${n}`, { id: motif }, { x: 0, y: 0 }),
    }));
    const motifs = new Map([
      ['a', { inks: ['#111111'] as Hex[] }],
      ['b', { inks: ['#222222'] as Hex[] }],
      ['c', { inks: ['#111111', '#333333'] as Hex[] }],
    ]);
    const inks = [ink('none'), ink('three', '#333333'), ink('one', '#111111'), ink('two', '#222222'), ink('ground')];
    const used = inksByUse({ ground: { kind: 'flat', ink: 'ground' }, inks, placements }, motifs);
    expect(used.map(({ id }) => id)).toEqual(['ground', 'one', 'two', 'three', 'none']);
  });
});
