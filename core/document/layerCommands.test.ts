import { LEAF_MOTIF, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { apply } from './command.ts';
import { CommandError } from './commands/commandKind.ts';
import { type Design, newDesign } from './design.ts';
import { type Layer, newLayer } from './layer.ts';
import { openDesign } from './openDesign.ts';
import { placeMotif } from './placeMotif.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitting } from '../testing/commandFixtures.ts';

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
