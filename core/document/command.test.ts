import {
  anyDesign,
  anyPlacementFields,
  anyPoint,
  anyRepeat,
  LEAF_MOTIF,
  LEAF_RECORD,
  leafAt,
} from '../testing/arbitraries.ts';
import { apply, type Command, commandsSchema, inverse } from './command.ts';
import { CommandError } from './commands/commandKind.ts';
import { DEFAULT_LAYER, type Design, newDesign } from './design.ts';
import { NO_GROUND } from './ground.ts';
import { type Layer, newLayer } from './layer.ts';
import { MOST_PLACEMENTS } from './limits.ts';
import { DesignError, openDesign } from './openDesign.ts';
import { newPlacement, placeMotif } from './placeMotif.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

const anyToss: fc.Arbitrary<Design['toss']> = fc.option(
  fc.record({
    recipe: fc.record({
      entries: fc.array(
        fc.record({
          motif: fc.constant('leaf'),
          role: fc.constantFrom('hero', 'companion', 'filler'),
          count: fc.nat(50),
          smallest: fc.constantFrom(0.2, 0.5),
          largest: fc.constantFrom(0.5, 3),
        }),
        { maxLength: 3 },
      ),
      directions: fc.oneof(
        fc.constantFrom('one', 'two', 'four', 'all').map((kind) => ({ kind })),
        fc.constant({ kind: 'range' as const, from: -20, to: 35 }),
      ),
      flipped: fc.boolean(),
      gap: fc.integer({ min: -5, max: 20 }),
      ground: fc.constantFrom(0, 0.4),
      seed: fc.nat(1000),
    }),
    laid: fc.subarray(['p0', 'p1', 'gone']),
  }),
);

/** The layers in another order, one of them changed and sometimes one more; what lies in them stays. */
function anyLayersOf({ layers }: Design): fc.Arbitrary<Layer[]> {
  return fc
    .tuple(
      fc.shuffledSubarray([...layers], { minLength: layers.length }),
      fc.boolean(),
      fc.boolean(),
      fc.double({ min: 0, max: 1, noNaN: true }),
    )
    .map(([order, shown, more, opacity]) => {
      const [first, ...rest] = order as [Layer, ...Layer[]];
      return [
        { ...first, shown, opacity: opacity + 0 },
        ...rest,
        ...(more ? [newLayer(`l${layers.length}`, 'More')] : []),
      ];
    });
}

/** A command that fits the design, chosen by the numbers given. */
function fitting(design: Design): fc.Arbitrary<Command> {
  const ids = design.placements.map(({ id }) => id);
  const fresh = fc
    .nat()
    .map((n) => `n${n}`)
    .filter((id) => !ids.includes(id));
  const always: fc.Arbitrary<Command>[] = [
    anyRepeat.map((repeat) => ({ type: 'repeat', repeat })),
    anyLayersOf(design).map((layers) => ({ type: 'layers', layers })),
    fc
      .uniqueArray(
        fc.record({
          id: fc.constantFrom('g', 'h', 'i'),
          axis: fc.constantFrom('x', 'y'),
          at: fc.integer({ min: -20, max: 900 }),
        }),
        { selector: ({ id }) => id },
      )
      .map((guides) => ({ type: 'guides', guides })),
    anyToss.map((toss) => ({ type: 'toss', toss })),
    fc.constantFrom(NO_GROUND, { kind: 'flat' as const, ink: 'ground' }).map((ground) => ({ type: 'ground', ground })),
    fc.constantFrom('Kelp', 'Tide').map((name) => ({ type: 'name', name })),
    fc
      .constantFrom('#102030' as const, '#a0b0c0' as const)
      .map((colour) => ({ type: 'colour', colourway: 'base', ink: 'ground', colour })),
    fc.tuple(fresh, anyPoint, fc.constantFrom(...design.layers), fc.nat()).map(([id, at, { id: layer }, n]) => ({
      type: 'insert',
      placements: [{ index: n % (ids.length + 1), placement: leafAt(id, { ...at, layer }) }],
    })),
    fc
      .tuple(fresh, anyPoint)
      .map(([id, at]) =>
        placeMotif(
          design,
          LEAF_RECORD,
          { ...newPlacement(id, LEAF_RECORD, at), layer: design.layers[0]?.id ?? '' },
          ids[0],
        ),
      ),
  ];
  if (ids.length === 0) return fc.oneof(...always);
  const some = fc.subarray(ids, { minLength: 1 });
  return fc.oneof(
    ...always,
    some.map((chosen): Command => ({ type: 'remove', ids: chosen })),
    fc.tuple(some, anyPlacementFields, anyPoint).map(([chosen, fields, at]): Command => ({
      type: 'change',
      changes: Object.fromEntries(chosen.map((id) => [id, { ...fields, ...at }])),
    })),
    some.map((chosen): Command => ({
      type: 'change',
      changes: Object.fromEntries(chosen.map((id) => [id, { x: -13.7 }])),
    })),
  );
}

const canonicalDesign = anyDesign().map((design) => apply(design, { type: 'repeat', repeat: design.repeat }));

describe('commands', () => {
  it('are undone by their inverse, to the bit, in any sequence', () => {
    fc.assert(
      fc.property(canonicalDesign, fc.gen(), fc.integer({ min: 1, max: 8 }), (start, gen, count) => {
        let design = start;
        const undo: Command[] = [];
        for (let n = 0; n < count; n += 1) {
          const command = gen(fitting, design);
          undo.unshift(inverse(design, command));
          design = apply(design, command);
        }
        expect(undo.reduce(apply, design)).toEqual(start);
      }),
      { numRuns: 300 },
    );
  });

  it('survive being sent as JSON and pass the schema', () => {
    fc.assert(
      fc.property(canonicalDesign, fc.gen(), (design, gen) => {
        const command = gen(fitting, design);
        for (const one of [command, ...(command.type === 'all' ? [] : [inverse(design, command)])]) {
          const sent = JSON.parse(JSON.stringify([one])) as unknown;
          expect(commandsSchema.validateSync(sent, { strict: true })).toEqual([one]);
        }
        expect(openDesign(JSON.parse(JSON.stringify(apply(design, command))))).toEqual(apply(design, command));
      }),
      { numRuns: 200 },
    );
  });

  it('that the schema accepts give a design that the schema accepts, in any sequence', () => {
    fc.assert(
      fc.property(canonicalDesign, fc.gen(), fc.integer({ min: 1, max: 12 }), (start, gen, count) => {
        let design = start;
        for (let n = 0; n < count; n += 1) {
          const command = gen(fitting, design);
          commandsSchema.validateSync([command], { strict: true });
          design = apply(design, command);
        }
        expect(openDesign(JSON.parse(JSON.stringify(design)))).toEqual(design);
      }),
      { numRuns: 200 },
    );
  });

  it('never make a design hold more than it can, however few each of them adds', () => {
    const start = newDesign('d', 'Full', { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const placements = Array.from({ length: MOST_PLACEMENTS }, (_, n) => leafAt(`p${n}`, {}));
    const full = apply(start, {
      type: 'insert',
      placements: placements.map((placement, index) => ({ index, placement })),
    });
    expect(() => apply(full, { type: 'insert', placements: [{ index: 0, placement: leafAt('more', {}) }] })).toThrow(
      /at most 20000 motifs/,
    );
    const inks = (from: number, count: number): Command => {
      const list = Array.from({ length: count }, (_, n) => ({ id: `i${from + n}`, name: 'Ink', prints: [] }));
      return { type: 'add-inks', inks: list, colours: Object.fromEntries(list.map(({ id }) => [id, '#000000'])) };
    };
    const many = apply(start, inks(0, 600));
    expect(() => apply(many, inks(600, 600))).toThrow(/at most 1000 inks/);
    expect(() => apply(many, { type: 'all', commands: [inks(600, 300), inks(900, 300)] })).toThrow(CommandError);
    expect(() =>
      apply(start, {
        type: 'add-inks',
        inks: [
          { id: 'twice', name: 'A', prints: [] },
          { id: 'twice', name: 'B', prints: [] },
        ],
        colours: { twice: '#000000' },
      }),
    ).toThrow(CommandError);
    // One that is over a limit already can still be brought under it.
    const over = { ...full, placements: [...full.placements, leafAt('over', {})] };
    expect(apply(over, { type: 'remove', ids: ['over'] }).placements).toHaveLength(MOST_PLACEMENTS);
  });

  it('lie in each other only so deep', () => {
    const nested = (depth: number): unknown =>
      depth === 0 ? { type: 'name', name: 'Kelp' } : { type: 'all', commands: [nested(depth - 1)] };
    expect(commandsSchema.isValidSync([nested(8)], { strict: true })).toBe(true);
    expect(commandsSchema.isValidSync([nested(9)], { strict: true })).toBe(false);
    expect(commandsSchema.isValidSync([nested(500)], { strict: true })).toBe(false);
  });

  it('cost what they change: one of twenty thousand is looked up, not searched for', () => {
    const count = MOST_PLACEMENTS;
    const start = newDesign('d', 'Many', { width: 1000, height: 1000, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const many = apply(start, {
      type: 'insert',
      placements: Array.from({ length: count }, (_, index) => ({ index, placement: leafAt(`p${index}`, { x: 1 }) })),
    });
    const all: Command = {
      type: 'change',
      changes: Object.fromEntries(many.placements.map(({ id }) => [id, { x: 2 }])),
    };
    // Quadratic, this is 4·10⁸ comparisons and takes many seconds.
    const began = performance.now();
    const moved = apply(many, all);
    expect(performance.now() - began).toBeLessThan(2000);
    expect(moved.placements.every(({ x }) => x === 2)).toBe(true);
    const one = apply(moved, { type: 'change', changes: { p7: { x: 3 } } });
    expect(one.placements.filter((placement, n) => placement !== moved.placements[n])).toHaveLength(1);
  });

  it('change nothing when they do not fit', () => {
    const design = newDesign('d', 'Empty', { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const misfits: Command[] = [
      { type: 'remove', ids: ['gone'] },
      { type: 'change', changes: { gone: { x: 1 } } },
      { type: 'ground', ground: { kind: 'flat', ink: 'gone' } },
      { type: 'colour', colourway: 'base', ink: 'gone', colour: '#000000' },
      { type: 'colour', colourway: 'gone', ink: 'ground', colour: '#000000' },
      { type: 'insert', placements: [{ index: 5, placement: leafAt('a', {}) }] },
      { type: 'insert', placements: [{ index: 0, placement: leafAt('a', { layer: 'gone' }) }] },
      { type: 'remove-inks', ids: ['ground'] },
      { type: 'layers', layers: [] },
      { type: 'layers', layers: [newLayer('a', 'A'), newLayer('a', 'B')] },
      { type: 'add-inks', inks: [{ id: 'ground', name: 'Again', prints: [] }], colours: { ground: '#000000' } },
      { type: 'add-inks', inks: [{ id: 'new', name: 'New', prints: [] }], colours: {} },
    ];
    for (const command of misfits) expect(() => apply(design, command)).toThrow(CommandError);
  });

  it.each([
    [[{ type: 'explode' }]],
    [[{ type: 'remove', ids: ['../etc'] }]],
    [[{ type: 'change', changes: { a: { x: Number.NaN } } }]],
    [[{ type: 'change', changes: { a: { x: '12' } } }]],
    [[{ type: 'change', changes: { a: { id: 'b' } } }]],
    [[{ type: 'change', changes: { a: { layer: 'b' } } }]],
    [[{ type: 'change', changes: { a: { blend: 'burn' } } }]],
    [[{ type: 'change', changes: { a: { skew: 89 } } }]],
    [[{ type: 'layers', layers: [{ id: 'a', name: 'A' }] }]],
    [[{ type: 'guides', guides: [{ id: 'a', axis: 'z', at: 1 }] }]],
    [[{ type: 'repeat', repeat: { width: 1, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } } }]],
    [[{ type: 'repeat', repeat: { width: 100, height: 100, step: { kind: 'brick', drop: { p: 2, q: 4 } } } }]],
    [[{ type: 'colour', colourway: 'base', ink: 'ground', colour: 'red' }]],
    [[]],
    [null],
  ])('are refused at the door when malformed: %j', (sent) => {
    expect(commandsSchema.isValidSync(sent, { strict: true })).toBe(false);
  });
});

describe('layers', () => {
  const layers = [newLayer('a', 'A'), newLayer('b', 'B'), newLayer('c', 'C')];
  const start: Design = {
    ...newDesign('d', 'Kelp', { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } }),
    layers,
    placements: [
      leafAt('1', { layer: 'a' }),
      leafAt('2', { layer: 'b' }),
      leafAt('3', { layer: 'b' }),
      leafAt('4', { layer: 'c' }),
    ],
  };

  it('lie whole over one another, whatever is done', () => {
    fc.assert(
      fc.property(fc.gen(), fc.integer({ min: 1, max: 8 }), (gen, count) => {
        let design = start;
        for (let n = 0; n < count; n += 1) design = apply(design, gen(fitting, design));
        const ranks = design.placements.map(({ layer }) => design.layers.findIndex(({ id }) => id === layer));
        expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
      }),
    );
  });

  it('take what lies in them along when their order changes', () => {
    const after = apply(start, { type: 'layers', layers: [layers[1], layers[2], layers[0]] as Layer[] });
    expect(after.placements.map(({ id }) => id)).toEqual(['2', '3', '4', '1']);
  });

  it('cannot go while something lies in them', () => {
    expect(() => apply(start, { type: 'layers', layers: layers.slice(0, 2) })).toThrow(CommandError);
  });
});

describe('laying a motif', () => {
  it('puts it directly above what was selected and brings the missing inks', () => {
    const design = newDesign('d', 'Kelp', { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const first = apply(design, placeMotif(design, LEAF_RECORD, leafAt('a', {})));
    const second = apply(first, placeMotif(first, LEAF_RECORD, leafAt('b', {})));
    const third = apply(second, placeMotif(second, LEAF_RECORD, leafAt('c', { x: 130 }), 'a'));
    expect(third.placements.map(({ id }) => id)).toEqual(['a', 'c', 'b']);
    expect(third.placements[1]).toMatchObject({ x: 30 });
    expect(third.inks.flatMap(({ prints }) => prints)).toEqual(LEAF_MOTIF.motif.inks);
    expect(openDesign(third)).toEqual(third);
  });
});

describe('openDesign', () => {
  const good = newDesign('d', 'Kelp', { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } });

  it('brings an old document up to date', () => {
    const old = {
      ...good,
      version: 0,
      ground: 'ground',
      colourway: 'base',
      inks: [
        { id: 'ground', name: 'Ground' },
        { id: 'red', name: 'Red', from: '#b3402e' },
      ],
      colourways: [{ id: 'base', name: 'Base', colours: { ground: '#ffffff', red: '#b3402e' } }],
    };
    expect(
      openDesign({
        ...old,
        placements: [
          { id: 'a', motif: 'leaf', layer: 'main', x: 1, y: 2, turn: 0, scale: 1, mirrored: false, opacity: 1 },
        ],
        layers: [{ id: 'main', name: 'Motifs' }],
      }),
    ).toMatchObject({
      version: 4,
      layout: null,
      guides: [],
      layers: [DEFAULT_LAYER],
      placements: [leafAt('a', { x: 1, y: 2 })],
    });
    expect(openDesign(old).inks).toEqual([
      { id: 'ground', name: 'Ground', prints: [] },
      { id: 'red', name: 'Red', prints: ['#b3402e'] },
    ]);
  });

  it.each([
    [null, /not a design/],
    [{ ...good, version: 99 }, /version 99/],
    [{ ...good, repeat: { ...good.repeat, width: -1 } }, /repeat\.width/],
    [{ ...good, ground: { kind: 'flat', ink: 'gone' } }, /ground/],
    [{ ...good, colourway: 'gone' }, /colourway/],
    [{ ...good, colourways: [{ id: 'base', name: 'Base', colours: {} }] }, /lacks an ink/],
    [{ ...good, placements: [leafAt('a', { layer: 'gone' })] }, /layer/],
    [{ ...good, placements: [leafAt('a', {}), leafAt('a', {})] }, /share an id/],
    [{ ...good, extra: 1 }, /extra/],
  ])('says what is wrong with a bad one (%#)', (document, sentence) => {
    expect(() => openDesign(document)).toThrow(DesignError);
    expect(() => openDesign(document)).toThrow(sentence);
  });
});
