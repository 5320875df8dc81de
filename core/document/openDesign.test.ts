import { leafAt } from '../testing/arbitraries.ts';
import { DEFAULT_LAYER, newDesign } from './design.ts';
import { DesignError, openDesign } from './openDesign.ts';
import { describe, expect, it } from 'vitest';

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
