import { type FilledLoops, instancesIn, outlinesOf } from '../../core/draw/index.ts';
import { shapeMatrix } from '../../core/document/index.ts';
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
import { type Artwork, type ArtworkNode, boxOfView, everyNode, flattenPath } from '../../core/motif/index.ts';
import { vineArtwork } from '../../core/vine/index.ts';
import type { Lattice } from '../../core/lattice/index.ts';
import type { Stroke } from '../../core/recipe/index.ts';
import type { Editor } from '../editor/editor.ts';
import type { ClothView } from './clothView.ts';
import { silhouetteLoops } from './silhouetteLoops.ts';

/** How far polygons may be from the curves that they stand for, mm. */
const OFF = 0.05;

/**
 * Everything that is seen in a window of the plane, in all its instances: what lies on the cloth, and what is being drawn.
 */
export function drawnLines(editor: Editor, view: ClothView, window: Box): FilledLoops[] {
  const { lattice, drawing, design } = editor;
  const shown = new Set(design.layers.filter((layer) => layer.shown).map(({ id }) => id));
  const placed = design.placements.flatMap((placement) => {
    const drawn = view.drawn.get(placement.motif);
    if (!drawn || !shown.has(placement.layer) || placement.id === drawing.hidden) return [];
    const matrix = compose(translationMatrix(placement.x, placement.y), shapeMatrix(placement, drawn.motif));
    return [{ artwork: drawn.artwork, matrix }];
  });
  const { strokes, vine, frame } = drawing.drawn.getState();
  const onCloth = placed.flatMap(({ artwork, matrix }) =>
    instancesIn(lattice, matrix, boxOfView(artwork.view), window).flatMap((seen) => coveredBy(artwork, seen, view)),
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
function coveredBy(artwork: Artwork, matrix: Matrix, { backend }: ClothView): FilledLoops[] {
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
