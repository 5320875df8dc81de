import { leafAt } from '../testing/arbitraries.ts';
import { requireWithinLimits } from './checkLimits.ts';
import { CommandError } from './commands/commandKind.ts';
import { DEFAULT_LAYER, newDesign } from './design.ts';
import { MOST_GUIDES } from './limits.ts';
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
    [{ ...good, extra: 1 }, /extra/],
  ])('says what is wrong with a bad one (%#)', (document, sentence) => {
    expect(() => openDesign(document)).toThrow(DesignError);
    expect(() => openDesign(document)).toThrow(sentence);
  });

  it('opens one that took an id twice: no motif is lost, and a second ink, which nothing could reach, is left out', () => {
    const ink = { id: 'red', name: 'Red', prints: ['#b3402e'] } as const;
    const healed = openDesign({
      ...good,
      inks: [...good.inks, ink, { ...ink, name: 'Rust' }],
      colourways: good.colourways.map((way) => ({ ...way, colours: { ...way.colours, red: '#b3402e' } })),
      placements: [leafAt('a', { x: 1 }), leafAt('a', { x: 2 }), leafAt('a-2', { x: 3 })],
    });
    expect(healed.inks.map(({ name }) => name)).toEqual(['Ground', 'Red']);
    expect(healed.placements.map(({ id, x }) => [id, x])).toEqual([
      ['a', 1],
      ['a-3', 2],
      ['a-2', 3],
    ]);
    expect(openDesign(healed)).toEqual(healed);
  });

  it('opens one that is over a limit, up to five times as much', () => {
    const guides = (count: number) =>
      Array.from({ length: count }, (_, n) => ({ id: `g${n}`, axis: 'x' as const, at: n }));
    expect(openDesign({ ...good, guides: guides(MOST_GUIDES + 1) }).guides).toHaveLength(MOST_GUIDES + 1);
    expect(() => openDesign({ ...good, guides: guides(5 * MOST_GUIDES + 1) })).toThrow(DesignError);
    expect(() => requireWithinLimits(openDesign({ ...good, guides: guides(MOST_GUIDES + 1) }))).toThrow(CommandError);
  });
});
