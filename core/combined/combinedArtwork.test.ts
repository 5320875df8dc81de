import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isInsideLoops, type Matrix, type Point, transform, UPRIGHT } from '../geometry/index.ts';
import { type Artwork, type ArtworkNode, type DrawnMotif, drawnById, flattenPath } from '../motif/index.ts';
import type { Part, PartCombining } from '../recipe/index.ts';
import { combinedArtwork } from './combinedArtwork.ts';
import { coveredOutline } from './coveredOutline.ts';

/** A motif of 20 × 20 mm about its middle. */
function motifOf(id: string, nodes: readonly ArtworkNode[]): DrawnMotif {
  const view = { x: -10, y: -10, width: 20, height: 20 };
  const artwork: Artwork = { version: 1, view, nodes };
  return {
    artwork,
    motif: { id, name: id, collection: 'Test', width: 20, artwork: id, view, inks: [], source: id, recipe: null },
  };
}

const filled = (path: string, ink: `#${string}`, rule: 'nonzero' | 'evenodd' = 'nonzero'): ArtworkNode => ({
  kind: 'path',
  path,
  rule,
  strokeFirst: false,
  fill: { kind: 'ink', ink, opacity: 1 },
});
const SQUARE = 'M-8 -8L8 -8L8 8L-8 8Z';
/** A square with a hole, by the even–odd rule. */
const FRAME = `${SQUARE}M-4 -4L4 -4L4 4L-4 4Z`;
const DRAWN = drawnById([
  motifOf('square', [filled(SQUARE, '#b3402e')]),
  motifOf('frame', [filled(FRAME, '#3e7a5e', 'evenodd')]),
  motifOf('triangle', [filled('M0 -9L8 7L-8 7Z', '#1f2430')]),
]);
const TRUE: Readonly<Record<string, (p: Point) => boolean>> = {
  square: ({ x, y }) => Math.abs(x) <= 8 && Math.abs(y) <= 8,
  frame: ({ x, y }) => Math.abs(x) <= 8 && Math.abs(y) <= 8 && !(Math.abs(x) < 4 && Math.abs(y) < 4),
  triangle: (p) =>
    isInsideLoops(
      [
        [
          { x: 0, y: -9 },
          { x: 8, y: 7 },
          { x: -8, y: 7 },
        ],
      ],
      p,
    ),
};

const part = fc.record({
  motif: fc.constantFrom('square', 'frame', 'triangle'),
  x: fc.double({ min: -12, max: 12, noNaN: true }),
  y: fc.double({ min: -12, max: 12, noNaN: true }),
  rotation: fc.double({ min: -180, max: 180, noNaN: true }),
  scale: fc.double({ min: 0.5, max: 2, noNaN: true }),
  flipped: fc.boolean(),
});
const PLACES = [...Array(17).keys()].flatMap((j) =>
  [...Array(17).keys()].map((i) => ({ x: 3.1 * i - 25, y: 2.9 * j - 23.4 })),
);

/** Whether a place lies within a part, and how far it is from being on its edge is left to the caller. */
function isOn({ motif, x, y, rotation, scale, flipped }: Part, place: Point): boolean {
  const angle = (-rotation * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const back: Matrix = [cos / scale, sin / scale, -sin / scale, cos / scale, 0, 0];
  const own = transform(back, { x: place.x - x, y: place.y - y });
  return TRUE[motif]?.(flipped ? { x: -own.x, y: own.y } : own) ?? false;
}

/** What is seen of a combined artwork at a place. */
function isSeen({ nodes: [node] }: Artwork, place: Point): boolean {
  const inside = (path: string): boolean => {
    const loops = flattenPath(path, 0.001);
    // By the nonzero rule, which is the even–odd one for what is filled alike by both.
    return isInsideLoops(loops, place);
  };
  if (node?.kind === 'path') return inside(node.path);
  if (node?.kind !== 'group' || !node.clip) return false;
  return node.clip.some(({ path }) => inside(path)) && inside(coveredOutline(node.children, [1, 0, 0, 1, 0, 0]));
}

const MEANING: Readonly<Record<PartCombining, (on: readonly boolean[]) => boolean>> = {
  join: (on) => on.some(Boolean),
  cut: ([lowest, ...others]) => lowest === true && !others.some(Boolean),
  overlap: (on) => on.every(Boolean),
};

describe('motifs combined', () => {
  it('show what they cover together, the lowest without the others, or what all of them cover', () => {
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 2, maxLength: 3 }),
        fc.constantFrom<PartCombining>('join', 'cut', 'overlap'),
        (some, how) => {
          const parts: Part[] = some.map((one) => ({ ...UPRIGHT, ...one, opacity: 1 }));
          const wanted = PLACES.map((place) => MEANING[how](parts.map((one) => isOn(one, place))));
          let artwork: Artwork;
          try {
            artwork = combinedArtwork(parts, how, DRAWN);
          } catch (error) {
            expect((error as Error).message).toBe('nothing is left to see');
            // Of what is smaller than the grid of places some may be left all the same.
            expect(wanted.filter(Boolean).length).toBeLessThanOrEqual(1);
            return;
          }
          const wrong = PLACES.filter((place, n) => isSeen(artwork, place) !== wanted[n]);
          // A place on an edge may fall to either side.
          expect(wrong.length, JSON.stringify(wrong)).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('have the colour of the lowest where they are one, and all of its colours where it is cut', () => {
    const parts: Part[] = ['square', 'triangle'].map((motif, n) => ({ ...UPRIGHT, motif, x: 6 * n, opacity: 1 }));
    expect(combinedArtwork(parts, 'join', DRAWN).nodes).toMatchObject([
      { kind: 'path', fill: { kind: 'ink', ink: '#b3402e', opacity: 1 } },
    ]);
    expect(combinedArtwork(parts, 'cut', DRAWN).nodes).toMatchObject([
      { kind: 'group', children: [{ kind: 'group', children: [{ fill: { ink: '#b3402e' } }] }] },
    ]);
  });

  it('count lines as wide as they are, and refuse a picture that would have to cut', () => {
    const stroke = {
      paint: { kind: 'ink', ink: '#1f2430', opacity: 1 },
      width: 4,
      cap: 'round',
      join: 'round',
      miterLimit: 4,
      dash: [],
      dashOffset: 0,
    } as const;
    const line = motifOf('line', [{ kind: 'path', path: 'M-8 0L8 0', rule: 'nonzero', strokeFirst: false, stroke }]);
    const picture = motifOf('picture', [
      { kind: 'picture', blob: `${'a'.repeat(64)}.png`, x: -5, y: -5, width: 10, height: 10 } as ArtworkNode,
    ]);
    const drawn = drawnById([...DRAWN.values(), line, picture]);
    const over = (motif: string): Part[] => [
      { ...UPRIGHT, motif: 'square', opacity: 1 },
      { ...UPRIGHT, motif, opacity: 1 },
    ];
    const cut = combinedArtwork(over('line'), 'cut', drawn);
    for (const [y, seen] of [
      [0, false],
      [1.8, false],
      [2.2, true],
      [-2.2, true],
    ] as const)
      expect(isSeen(cut, { x: 1, y }), `${y}`).toBe(seen);
    expect(() => combinedArtwork(over('picture'), 'cut', drawn)).toThrow(/picture has no outline/);
    const below = [...over('picture')].reverse();
    expect(combinedArtwork(below, 'overlap', drawn).nodes).toHaveLength(1);
    expect(combinedArtwork(over('square').slice(0, 1), 'join', drawn).nodes).toMatchObject([
      { kind: 'group', children: [{ fill: { ink: '#b3402e' } }] },
    ]);
  });
});
