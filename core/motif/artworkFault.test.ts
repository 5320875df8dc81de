import { describe, expect, it } from 'vitest';
import { IDENTITY } from '../geometry/index.ts';
import type { Artwork, ArtworkNode } from './artwork.ts';
import { artworkFault, DEEPEST_LAYERS, MOST_NODES, MOST_PATH_COMMANDS } from './artworkFault.ts';

const view = { x: 0, y: 0, width: 9, height: 9 };
const path = (text: string): ArtworkNode => ({ kind: 'path', path: text, rule: 'nonzero' });
const of = (...nodes: ArtworkNode[]): Artwork => ({ version: 1, view, nodes });
const layered = (depth: number): ArtworkNode =>
  depth === 0
    ? path('M 0 0 L 9 9')
    : { kind: 'group', matrix: IDENTITY, opacity: 0.5, children: [layered(depth - 1), path('M 0 0 Z')] };

describe('artwork', () => {
  it.each<[string, Artwork, string | undefined]>([
    ['plain', of(path('M 0 0 L 9 9 Z')), undefined],
    ['an outline that is none', of(path('garbage')), 'it has an outline that cannot be read'],
    [
      'a clip that is none',
      of({
        kind: 'group',
        matrix: IDENTITY,
        opacity: 1,
        clip: [{ path: 'M 1', rule: 'nonzero', matrix: IDENTITY }],
        children: [],
      }),
      'it has an outline that cannot be read',
    ],
    [
      'too many points',
      of(path(`M 0 0${' L 1 1'.repeat(MOST_PATH_COMMANDS)}`)),
      'its outlines have more than 400,000 points',
    ],
    [
      'too many parts',
      of(...Array.from({ length: MOST_NODES + 1 }, () => path('M 0 0'))),
      'it has more than 100,000 parts',
    ],
    ['as many layers as may be', of(layered(DEEPEST_LAYERS)), undefined],
    [
      'one more',
      of(layered(DEEPEST_LAYERS + 1)),
      'more than 24 clipped or half-transparent groups lie within each other',
    ],
  ])('of %s', (_what, artwork, fault) => expect(artworkFault(artwork)).toBe(fault));
});
