import { outlinesOf } from '../draw/index.ts';
import { IDENTITY } from '../geometry/index.ts';
import { type Artwork, artworkBounds, pathBounds, type PathNode } from '../motif/index.ts';
import type { DrawnRecipe } from '../recipe/index.ts';
import { combinePaths } from '../shapes/index.ts';
import { coveredNodes, outlinePath, strokeNodes } from './strokeNodes.ts';

/**
 * The artwork of a hand-drawn motif, in mm. Its view has the drawing's own (0, 0) in its middle, so that strokes that are added to it
 * leave all others where they lie.
 *
 * @throws RangeError where its strokes leave nothing to see
 */
export function drawnArtwork({ strokes }: DrawnRecipe): Artwork {
  let nodes: PathNode[] = [];
  const lastRubber = strokes.findLastIndex(({ deed }) => deed === 'rubber');
  strokes.forEach((stroke, n) => {
    if (stroke.deed === 'rubber') nodes = rubbed(nodes, outlinesOf(stroke).map(outlinePath).join(' '));
    // A line that something is cut out of is a shape; one that is not stays a path.
    else nodes.push(...(n < lastRubber ? coveredNodes(stroke) : strokeNodes(stroke)));
  });
  const box = artworkBounds(nodes, IDENTITY);
  if (!box) throw new RangeError('these strokes leave nothing to see');
  const half = {
    x: Math.max(Math.abs(box.left), Math.abs(box.right), 0.05),
    y: Math.max(Math.abs(box.top), Math.abs(box.bottom), 0.05),
  };
  return { version: 1, view: { x: -half.x, y: -half.y, width: 2 * half.x, height: 2 * half.y }, nodes };
}

/** What is left of artwork where a rubber went over it. */
function rubbed(nodes: readonly PathNode[], rubber: string): PathNode[] {
  const box = pathBounds(rubber);
  return nodes.flatMap((node) => {
    const own = pathBounds(node.path);
    if (!box || !own || own.right < box.left || box.right < own.left || own.bottom < box.top || box.bottom < own.top)
      return [node];
    const path = combinePaths(node.path, rubber, 'cut');
    return path ? [{ ...node, path }] : [];
  });
}
