import { type KnotLine, knotsOf, movedKnot, pathOfKnots } from '../../core/draw/index.ts';
import { invert, type Matrix } from '../../core/geometry/index.ts';
import { type Artwork, type PlacedPath, withMovedPaths } from '../../core/motif/index.ts';
import type { FormerRecipe, MovedPath, PointsRecipe } from '../../core/recipe/index.ts';

/** A motif whose points are open, at one of its placements. */
export interface OpenedPoints {
  readonly placement: string;
  readonly motif: string;
  readonly name: string;
  /** Content address of the artwork whose points are moved, and the artwork. */
  readonly original: string;
  readonly artwork: Artwork;
  readonly paths: readonly PlacedPath[];
  readonly before: FormerRecipe | null;
  /** Whether its points were moved before it was opened. */
  readonly isMoved: boolean;
  /** From the artwork's units to mm of the plane. */
  readonly frame: Matrix;
}

/** The paths that are other than in the artwork. */
function movedPaths({ paths }: OpenedPoints, lines: readonly KnotLine[]): MovedPath[] {
  return paths.flatMap(({ node, matrix, path }, n) => {
    const back = invert(matrix);
    if (!back) return [];
    const own = lines
      .filter((line) => line.path === n)
      .map((line) => ({ ...line, knots: line.knots.map((knot) => movedKnot(knot, back)) }));
    const text = pathOfKnots(own);
    return text === pathOfKnots(knotsOf(path.path, n)) ? [] : [{ node: [...node], path: text }];
  });
}

/** The motif as its points lie now. */
export function recipeOf(opened: OpenedPoints, lines: readonly KnotLine[]): PointsRecipe {
  const { original, before } = opened;
  return { kind: 'points', original, paths: movedPaths(opened, lines), before };
}

/** The artwork as its points lie now; undefined where nothing is left of it. */
export function artworkOf(opened: OpenedPoints, lines: readonly KnotLine[]): Artwork | undefined {
  try {
    return withMovedPaths(opened.artwork, movedPaths(opened, lines));
  } catch (error) {
    // Every point was taken away; the last step can be undone.
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}
