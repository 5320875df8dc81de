import { type FilledLoops, instancesIn, outlinesOf } from '../../core/draw/index.ts';
import { type Design, shapeMatrix } from '../../core/document/index.ts';
import {
  type Box,
  boxAround,
  compose,
  IDENTITY,
  type Matrix,
  type Point,
  transform,
  translationMatrix,
} from '../../core/geometry/index.ts';
import {
  type Artwork,
  type ArtworkNode,
  boxOfView,
  type DrawnMotif,
  everyNode,
  flattenPath,
} from '../../core/motif/index.ts';
import { vineArtwork } from '../../core/vine/index.ts';
import { type Lattice, latticeOf } from '../../core/lattice/index.ts';
import type { CanvasBackend } from '../../core/paint/index.ts';
import type { Stroke, VineRecipe } from '../../core/recipe/index.ts';
import { silhouetteLoops } from './silhouetteLoops.ts';

/** How far polygons may be from the curves that they stand for, mm. */
const OFF = 0.05;

/** What is being drawn, and the placement that it changes and is seen in place of. */
export interface DrawingInHand {
  readonly strokes: readonly Stroke[];
  readonly vine?: VineRecipe | undefined;
  /** From the drawing's own mm to the plane. */
  readonly frame: Matrix;
  readonly hidden: string | undefined;
}

/**
 * Everything that is seen in a window of the plane, in all its instances: what lies on the cloth, and what is being drawn.
 *
 * @param motifs all whose artwork is at hand; others are not seen
 */
export function drawnLines(
  design: Design,
  { strokes, vine, frame, hidden }: DrawingInHand,
  motifs: ReadonlyMap<string, DrawnMotif>,
  backend: CanvasBackend,
  window: Box,
): FilledLoops[] {
  const lattice = latticeOf(design.repeat);
  const shown = new Set(design.layers.filter((layer) => layer.shown).map(({ id }) => id));
  const placed = design.placements.flatMap((placement) => {
    const drawn = motifs.get(placement.motif);
    if (!drawn || !shown.has(placement.layer) || placement.id === hidden) return [];
    const matrix = compose(translationMatrix(placement.x, placement.y), shapeMatrix(placement, drawn.motif));
    return [{ artwork: drawn.artwork, matrix }];
  });
  const onCloth = placed.flatMap(({ artwork, matrix }) =>
    instancesIn(lattice, matrix, boxOfView(artwork.view), window).flatMap((seen) => coveredBy(artwork, seen, backend)),
  );
  const vineNodes = vine ? vineArtwork({ ...vine, leaves: [] }, new Map()) : undefined;
  const inHand = [
    ...(vineNodes
      ? instancesIn(lattice, frame, boxOfView(vineNodes.view), window).flatMap((seen) => linesOf(vineNodes.nodes, seen))
      : []),
    ...strokes.flatMap((stroke) => strokeLines(lattice, stroke, frame, window)),
  ];
  return [...onCloth, ...inHand];
}

/** Outlines of artwork that is not shapes alone, in its own units. */
const silhouettes = new WeakMap<Artwork, readonly (readonly Point[])[]>();

/** What an instance of artwork covers: its shapes, or where it has pictures, lines or hidden parts the outline of all that it paints. */
function coveredBy(artwork: Artwork, matrix: Matrix, backend: CanvasBackend): FilledLoops[] {
  const isShapes = [...everyNode(artwork.nodes)].every((node) =>
    node.kind === 'group' ? !node.clip : node.kind === 'path' && !node.stroke,
  );
  if (isShapes) return linesOf(artwork.nodes, matrix);
  let loops = silhouettes.get(artwork);
  if (!loops) silhouettes.set(artwork, (loops = silhouetteLoops(artwork, backend)));
  return [{ loops: loops.map((loop) => loop.map((point) => transform(matrix, point))), rule: 'nonzero' }];
}

function strokeLines(lattice: Lattice, stroke: Stroke, frame: Matrix, window: Box): FilledLoops[] {
  const loops = outlinesOf(stroke);
  return instancesIn(lattice, frame, boxAround(loops.flat()), window).map((seen) => ({
    loops: loops.map((loop) => loop.map((point) => transform(seen, point))),
    rule: stroke.deed === 'area' ? 'evenodd' : 'nonzero',
    clears: stroke.deed === 'rubber',
  }));
}

function linesOf(nodes: readonly ArtworkNode[], matrix: Matrix): FilledLoops[] {
  return nodes.flatMap((node) => {
    if (node.kind === 'group') return linesOf(node.children, compose(matrix, node.matrix ?? IDENTITY));
    if (node.kind !== 'path' || !node.fill) return [];
    return [{ loops: flattenPath(node.path, OFF, matrix), rule: node.rule }];
  });
}
