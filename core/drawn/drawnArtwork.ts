import { outlinesOf } from '../draw/index.ts';
import { type Artwork, pathBounds, type PathNode, unionOf } from '../motif/index.ts';
import type { DrawnRecipe } from '../recipe/index.ts';
import { combinePaths } from '../shapes/index.ts';
import { outlinePath, strokeNodes } from './strokeNodes.ts';

/**
 * The artwork of a hand-drawn motif, in mm. Its view has the drawing's own (0, 0) in its middle, so that strokes that are added to it
 * leave all others where they lie.
 *
 * @throws RangeError where its strokes leave nothing to see
 */
export function drawnArtwork({ strokes }: DrawnRecipe): Artwork {
  let nodes: PathNode[] = [];
  for (const stroke of strokes)
    if (stroke.deed === 'rubber') nodes = rubbed(nodes, outlinesOf(stroke).map(outlinePath).join(' '));
    else nodes.push(...strokeNodes(stroke));
  const box = unionOf(nodes.map(({ path }) => pathBounds(path)));
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
