import { compose, IDENTITY, type Matrix } from '../geometry/index.ts';
import type { MovedPath } from '../recipe/index.ts';
import type { Artwork, ArtworkNode, PathNode } from './artwork.ts';
import { artworkBounds } from './artworkBounds.ts';

/** A path of an artwork: where it is, and from its own units to the artwork's. */
export interface PlacedPath {
  readonly node: readonly number[];
  readonly matrix: Matrix;
  readonly path: PathNode;
}

/** All paths of nodes, those in groups too. */
export function pathsIn(
  nodes: readonly ArtworkNode[],
  matrix: Matrix = IDENTITY,
  within: readonly number[] = [],
): PlacedPath[] {
  return nodes.flatMap((node, n): PlacedPath[] => {
    if (node.kind === 'path') return [{ node: [...within, n], matrix, path: node }];
    return node.kind === 'group' ? pathsIn(node.children, compose(matrix, node.matrix), [...within, n]) : [];
  });
}

/**
 * The artwork with other paths in the stead of some of its own; those of which nothing is left are gone. Its view has the same middle
 * as before and holds all that is painted, so that what does not move stays where it lies.
 *
 * @throws RangeError where it has no path at such a place, or nothing is left of it
 */
export function withMovedPaths(artwork: Artwork, moved: readonly MovedPath[]): Artwork {
  if (moved.length === 0) return artwork;
  const paths = new Map(moved.map(({ node, path }) => [node.join(' '), path]));
  const used = new Set<string>();
  const replaced = (nodes: readonly ArtworkNode[], within: string): ArtworkNode[] =>
    nodes.flatMap((node, n): ArtworkNode[] => {
      const place = within === '' ? String(n) : `${within} ${n}`;
      if (node.kind === 'group') return [{ ...node, children: replaced(node.children, place) }];
      const path = paths.get(place);
      if (path === undefined || node.kind !== 'path') return [node];
      used.add(place);
      return path === '' ? [] : [{ ...node, path }];
    });
  const nodes = replaced(artwork.nodes, '');
  if (used.size < paths.size) throw new RangeError('the artwork has no path where one was moved');
  const box = artworkBounds(nodes, IDENTITY);
  if (!box) throw new RangeError('nothing is left to see');
  const { view } = artwork;
  const [x, y] = [view.x + view.width / 2, view.y + view.height / 2];
  const half = {
    x: Math.max(Math.abs(box.left - x), Math.abs(box.right - x), view.width * LEAST),
    y: Math.max(Math.abs(box.top - y), Math.abs(box.bottom - y), view.height * LEAST),
  };
  return { ...artwork, view: { x: x - half.x, y: y - half.y, width: 2 * half.x, height: 2 * half.y }, nodes };
}

/** A view shrinks to no less than this share of what it was. */
const LEAST = 0.01;
