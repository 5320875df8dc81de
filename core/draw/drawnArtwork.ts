import { type Box, boxAround, type Point } from '../geometry/index.ts';
import { type Artwork, pathBounds, type PathNode, unionOf } from '../motif/index.ts';
import type { DrawnRecipe, Stroke } from '../recipe/index.ts';
import { combinePaths, fitLoop } from '../shapes/index.ts';
import { decodeLoops, decodePoints } from './penPoint.ts';
import { closely } from './closely.ts';
import { strokeOutline } from './strokeOutline.ts';

/** How far an outline is fitted to what the brush leaves, mm; measured everywhere, it stays within five times that. */
const OUTLINE_OFF = 0.01;

/** How far apart points of an outline lie at the most before it is fitted, mm: at a corner a curve to one that is farther away would bulge. */
const CLOSE = 0.3;

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

/** A stroke, and what it encloses below it. */
export function strokeNodes(stroke: Stroke): PathNode[] {
  const { ink, opacity, fill, deed } = stroke;
  const nodeOf = (loops: readonly (readonly Point[])[], colour: Stroke['ink']): PathNode[] => {
    const path = loops.map(outlinePath).join(' ').trim();
    const rule = deed === 'area' ? 'evenodd' : 'nonzero';
    return path ? [{ kind: 'path', path, rule, strokeFirst: false, fill: { kind: 'ink', ink: colour, opacity } }] : [];
  };
  return [
    ...(fill && deed === 'line' ? nodeOf([decodePoints(stroke.points)], fill) : []),
    ...nodeOf(outlinesOf(stroke), ink),
  ];
}

/** The rectangle that strokes reach over, mm; undefined where they leave nothing. */
export function strokesBox(strokes: readonly Stroke[]): Box | undefined {
  return unionOf(
    strokes.map((stroke) => {
      const outline = outlinesOf(stroke).flat();
      return stroke.deed === 'rubber' || outline.length === 0 ? undefined : boxAround(outline);
    }),
  );
}

/** What a stroke covers, as closed lines, mm: one, or of an area with holes several by the even–odd rule. */
export function outlinesOf(stroke: Stroke): Point[][] {
  return stroke.deed === 'area'
    ? decodeLoops(stroke.points)
    : [strokeOutline(decodePoints(stroke.points), stroke, stroke.seed)];
}

const outlinePath = (loop: readonly Point[]): string => fitLoop(closely(loop, CLOSE), OUTLINE_OFF);

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
