import { anyPlacementFields, anyPoint, anyRepeat, LEAF_RECORD, leafAt } from './arbitraries.ts';
import { type Command } from '../document/command.ts';
import { type Design } from '../document/design.ts';
import { inksOfGround, NO_GROUND } from '../document/ground.ts';
import { patternedGrounds } from './groundArbitraries.ts';
import { type Layer, newLayer } from '../document/layer.ts';
import { newPlacement, placeMotif } from '../document/placeMotif.ts';
import fc from 'fast-check';

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
export function fitting(design: Design): fc.Arbitrary<Command> {
  const ids = design.placements.map(({ id }) => id);
  const fresh = fc
    .nat()
    .map((n) => `n${n}`)
    .filter((id) => !ids.includes(id));
  const inkIds = design.inks.map(({ id }) => id);
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
    fc
      .oneof(
        fc.constantFrom(NO_GROUND, ...inkIds.map((ink) => ({ kind: 'flat' as const, ink }))),
        ...(inkIds.length > 0 ? [patternedGrounds(inkIds)] : []),
      )
      .map((ground) => ({ type: 'ground', ground })),
    fc.constantFrom('Kelp', 'Tide').map((name) => ({ type: 'name', name })),
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
  always.push(...colourCommands(design));
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

const anyHex = fc.constantFrom('#102030' as const, '#a0b0c0' as const, '#ffffff' as const);

/** Whatever is done to inks and colourways. */
function colourCommands({ inks, colourways, ground }: Design): fc.Arbitrary<Command>[] {
  const inkIds = inks.map(({ id }) => id);
  const colourwayIds = colourways.map(({ id }) => id);
  const onGround = inksOfGround(ground);
  const removable = inkIds.filter((id) => !onGround.includes(id));
  const fresh = (taken: readonly string[]): fc.Arbitrary<string> =>
    fc
      .nat(500)
      .map((n) => `c${n}`)
      .filter((id) => !taken.includes(id));
  const colours = (ids: readonly string[]): fc.Arbitrary<Record<string, '#102030' | '#a0b0c0' | '#ffffff'>> =>
    fc
      .subarray([...ids])
      .chain((some) => fc.tuple(...some.map((id) => fc.tuple(fc.constant(id), anyHex))))
      .map((pairs) => Object.fromEntries(pairs));
  const commands: fc.Arbitrary<Command>[] = [
    fc.tuple(fresh(inkIds), fc.nat(inks.length), colours(colourwayIds)).map(([id, index, colours]) => ({
      type: 'insert-inks',
      inks: [{ index, ink: { id, name: 'Kelp', prints: [] }, colours }],
    })),
    fc.shuffledSubarray(inkIds).map((ids) => ({ type: 'order-inks', ids })),
    fc.tuple(fresh(colourwayIds), fc.nat(colourways.length), colours(inkIds)).map(([id, index, colours]) => ({
      type: 'insert-colourways',
      colourways: [{ index, colourway: { id, name: 'Dusk', colours } }],
    })),
    fc
      .tuple(fc.constantFrom(...colourwayIds), colours(inkIds), fc.option(fc.constant('Dawn')))
      .map(([colourway, colours, name]) => ({
        type: 'change-colourway',
        colourway,
        colours,
        ...(name !== null && { name }),
      })),
    fc.shuffledSubarray(colourwayIds).map((ids) => ({ type: 'order-colourways', ids })),
  ];
  if (inkIds.length > 0)
    commands.push(
      fc
        .tuple(fc.constantFrom(...colourwayIds), fc.constantFrom(...inkIds), anyHex)
        .map(([colourway, ink, colour]) => ({ type: 'colour', colourway, ink, colour })),
      fc
        .tuple(fc.constantFrom(...inkIds), fc.boolean(), fc.constantFrom('Rust', 'Foam'))
        .map(([id, locked, name]) => ({ type: 'change-inks', changes: { [id]: { locked, name } } })),
    );
  if (removable.length > 0)
    commands.push(fc.subarray(removable, { minLength: 1 }).map((ids) => ({ type: 'remove-inks', ids })));
  if (colourwayIds.length > 1)
    commands.push(fc.constantFrom(...colourwayIds).map((id) => ({ type: 'remove-colourways', ids: [id] })));
  return commands;
}
