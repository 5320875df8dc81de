import { outlinesOf } from '../draw/index.ts';
import { outlinePath } from '../drawn/index.ts';
import { compose, type Matrix } from '../geometry/index.ts';
import {
  type ArtworkNode,
  type ClipShape,
  type Paint,
  type PathNode,
  type PathText,
  transformPath,
} from '../motif/index.ts';
import type { Stroke } from '../recipe/index.ts';
import { combinePaths, evenOddPath } from '../shapes/index.ts';

/** Fainter than this nothing is covered. */
const FAINT = 0.05;

/**
 * The outline of all that nodes cover together, mapped by a matrix; filled alike by either rule, empty where they cover nothing. Lines count
 * as wide as they are, with round ends and corners.
 *
 * @throws RangeError for a picture, which has no outline
 */
export function coveredOutline(nodes: readonly ArtworkNode[], matrix: Matrix): PathText {
  return unionOfPaths(nodes.map((node) => outlineOf(node, matrix)));
}

/** All that paths cover together. */
export function unionOfPaths(paths: readonly PathText[]): PathText {
  return paths.reduce<PathText>((all, path) => (all && path ? combinePaths(all, path, 'join') : all || path), '');
}

function outlineOf(node: ArtworkNode, matrix: Matrix): PathText {
  switch (node.kind) {
    case 'picture':
      throw new RangeError('a picture has no outline to combine by; lay it lowest, or trace it first');
    case 'path':
      return unionOfPaths([
        ...(node.fill && covers(node.fill) ? [shapeOutline({ ...node, matrix })] : []),
        ...lineOutlines(node, matrix),
      ]);
    case 'group': {
      if (node.opacity < FAINT) return '';
      const within = compose(matrix, node.matrix);
      const inside = coveredOutline(node.children, within);
      if (!node.clip || !inside) return inside;
      const clip = unionOfPaths(
        node.clip.map((shape) => shapeOutline({ ...shape, matrix: compose(within, shape.matrix) })),
      );
      return combinePaths(inside, clip, 'overlap');
    }
  }
}

function shapeOutline({ path, rule, matrix }: Pick<ClipShape, 'path' | 'rule' | 'matrix'>): PathText {
  const outline = transformPath(path, matrix);
  return rule === 'evenodd' ? evenOddPath(outline) : outline;
}

/** What a line covers; through a map that stretches unevenly it is as wide as it is by its area. */
function lineOutlines({ path, stroke }: PathNode, matrix: Matrix): PathText[] {
  if (!stroke || !covers(stroke.paint)) return [];
  const [a, b, c, d] = matrix;
  const line: Stroke = {
    deed: 'path',
    points: transformPath(path, matrix),
    width: stroke.width * Math.sqrt(Math.abs(a * d - b * c)),
    thinning: 0,
    pressure: 'none',
    taperStart: 0,
    taperEnd: 0,
    smoothing: 0,
    roughness: 0,
    ink: '#000000',
    opacity: 1,
    fill: null,
    seed: 1,
    shading: undefined,
  };
  return outlinesOf(line).map(outlinePath);
}

function covers(paint: Paint): boolean {
  return paint.kind === 'ink' ? paint.opacity >= FAINT : paint.stops.some(({ opacity }) => opacity >= FAINT);
}
