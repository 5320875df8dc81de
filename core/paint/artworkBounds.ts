import {
  type Box,
  boxAround,
  compose,
  intersectBoxes,
  largestStretch,
  type Matrix,
  transform,
} from '../geometry/index.ts';
import { type ArtworkNode, type ClipShape, type PathNode, pathBounds, type Stroke } from '../motif/index.ts';

/** Exact bounds of each outline in its own units, kept as long as what it belongs to; finding them reads the whole path. */
const outlines = new WeakMap<object, Box | 'nothing'>();

/**
 * A rectangle that holds all that nodes paint, in the space that `matrix` maps into; never too small, and larger than need be
 * where shapes are rotated or joined in miters.
 *
 * @returns undefined where nothing is painted
 */
export function artworkBounds(nodes: readonly ArtworkNode[], matrix: Matrix): Box | undefined {
  return union(nodes.map((node) => boundsOf(node, matrix)));
}

/** The same of what shapes cover together. */
export function clipBounds(clip: readonly ClipShape[], matrix: Matrix): Box | undefined {
  return union(clip.map((shape) => mapped(outlineOf(shape), compose(matrix, shape.matrix))));
}

function boundsOf(node: ArtworkNode, matrix: Matrix): Box | undefined {
  switch (node.kind) {
    case 'path': {
      const box = mapped(outlineOf(node), matrix);
      return box && node.stroke ? grown(box, reachOf(node.stroke) * largestStretch(matrix)) : box;
    }
    case 'picture':
      return mapped({ left: node.x, top: node.y, right: node.x + node.width, bottom: node.y + node.height }, matrix);
    case 'group': {
      const within = compose(matrix, node.matrix);
      const box = artworkBounds(node.children, within);
      if (!box || !node.clip) return box;
      const clip = clipBounds(node.clip, within);
      return clip && intersectBoxes(box, clip);
    }
  }
}

/** How far a stroke reaches beyond its outline, in its own units. */
function reachOf({ width, join, miterLimit, cap }: Stroke): number {
  return (width / 2) * Math.max(join === 'miter' ? miterLimit : 1, cap === 'square' ? Math.SQRT2 : 1);
}

function outlineOf(shape: PathNode | ClipShape): Box | undefined {
  let box = outlines.get(shape);
  if (!box) outlines.set(shape, (box = pathBounds(shape.path) ?? 'nothing'));
  return box === 'nothing' ? undefined : box;
}

function mapped(box: Box | undefined, matrix: Matrix): Box | undefined {
  if (!box) return undefined;
  const { left, top, right, bottom } = box;
  return boxAround(
    [
      { x: left, y: top },
      { x: right, y: top },
      { x: right, y: bottom },
      { x: left, y: bottom },
    ].map((corner) => transform(matrix, corner)),
  );
}

function grown({ left, top, right, bottom }: Box, by: number): Box {
  return { left: left - by, top: top - by, right: right + by, bottom: bottom + by };
}

function union(boxes: readonly (Box | undefined)[]): Box | undefined {
  let all: Box | undefined;
  for (const box of boxes) {
    if (!box) continue;
    all = all
      ? {
          left: Math.min(all.left, box.left),
          top: Math.min(all.top, box.top),
          right: Math.max(all.right, box.right),
          bottom: Math.max(all.bottom, box.bottom),
        }
      : box;
  }
  return all;
}
