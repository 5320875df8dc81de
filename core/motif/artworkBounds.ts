import {
  type Box,
  boxAround,
  compose,
  cornersOfBox,
  growBox,
  intersectBoxes,
  largestStretch,
  type Matrix,
  transform,
} from '../geometry/index.ts';
import type { ArtworkNode, ClipShape, GroupNode, PathNode, Stroke } from './artwork.ts';
import { pathBounds } from './pathData.ts';

/** Exact bounds of each outline in its own units, kept as long as what it belongs to; finding them reads the whole path. */
const outlines = new WeakMap<object, Box | 'nothing'>();

/**
 * A rectangle that holds all that nodes paint, in the space that `matrix` maps into; never too small, and larger than need be
 * where shapes are rotated or joined in miters.
 *
 * @returns undefined where nothing is painted
 */
export function artworkBounds(nodes: readonly ArtworkNode[], matrix: Matrix): Box | undefined {
  return unionOf(nodes.map((node) => boundsOf(node, matrix, true)));
}

/** The same of their outlines alone, without lines and clips: what SVG calls the bounding box. */
export function outlineBounds(nodes: readonly ArtworkNode[], matrix: Matrix): Box | undefined {
  return unionOf(nodes.map((node) => boundsOf(node, matrix, false)));
}

/** The same of what shapes cover together. */
export function clipBounds(clip: readonly ClipShape[], matrix: Matrix): Box | undefined {
  return unionOf(clip.map((shape) => mapped(outlineOf(shape), compose(matrix, shape.matrix))));
}

/** A Gaussian of a standard deviation of 1 is taken to reach so far. */
export const GAUSSIAN_REACH = 3;

/** The bounds of what a group is clipped to, and of its fading edge. */
export function fadedBounds({ clip, softness = 0 }: GroupNode, within: Matrix): Box | undefined {
  const box = clip && clipBounds(clip, within);
  return box && growBox(box, GAUSSIAN_REACH * softness * largestStretch(within));
}

function boundsOf(node: ArtworkNode, matrix: Matrix, isPainted: boolean): Box | undefined {
  switch (node.kind) {
    case 'path': {
      // The box of a turned shape is smaller than the turned box; where something is measured by it, it has to be the former.
      const box = isPainted || isUpright(matrix) ? mapped(outlineOf(node), matrix) : pathBounds(node.path, matrix);
      return box && node.stroke && isPainted ? growBox(box, reachOf(node.stroke) * largestStretch(matrix)) : box;
    }
    case 'picture':
      return mapped({ left: node.x, top: node.y, right: node.x + node.width, bottom: node.y + node.height }, matrix);
    case 'group': {
      const within = compose(matrix, node.matrix);
      const box = unionOf(node.children.map((child) => boundsOf(child, within, isPainted)));
      if (!box || !node.clip || !isPainted) return box;
      const clip = fadedBounds(node, within);
      return clip && intersectBoxes(box, clip);
    }
  }
}

function isUpright([, b, c]: Matrix): boolean {
  return b === 0 && c === 0;
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
  return boxAround(cornersOfBox(box).map((corner) => transform(matrix, corner)));
}

/** The box around all of them, or undefined where there is none. */
export function unionOf(boxes: readonly (Box | undefined)[]): Box | undefined {
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
