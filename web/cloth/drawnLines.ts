import { drawnArtwork, type FilledLoops, instancesIn } from '../../core/draw/index.ts';
import { shapeMatrix } from '../../core/document/index.ts';
import { type Box, compose, IDENTITY, type Matrix, translationMatrix } from '../../core/geometry/index.ts';
import { type Artwork, type ArtworkNode, boxOfView, flattenPath } from '../../core/motif/index.ts';
import { vineArtwork } from '../../core/vine/index.ts';
import type { Editor } from '../editor/editor.ts';
import type { ClothView } from './clothView.ts';

/** How far polygons may be from the curves that they stand for, mm. */
const OFF = 0.05;

/**
 * Everything vector that is seen in a window of the plane, in all its instances: what lies on the cloth, and what is being drawn.
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
  const inHand: Artwork[] = [
    ...(strokes.some(({ deed }) => deed !== 'rubber') ? [drawnArtwork({ kind: 'drawn', strokes })] : []),
    ...(vine ? [vineArtwork({ ...vine, leaves: [] }, new Map())] : []),
  ];
  return [...placed, ...inHand.map((artwork) => ({ artwork, matrix: frame }))].flatMap(({ artwork, matrix }) =>
    instancesIn(lattice, matrix, boxOfView(artwork.view), window).flatMap((seen) => linesOf(artwork.nodes, seen)),
  );
}

function linesOf(nodes: readonly ArtworkNode[], matrix: Matrix): FilledLoops[] {
  return nodes.flatMap((node) => {
    if (node.kind === 'group') return linesOf(node.children, compose(matrix, node.matrix ?? IDENTITY));
    if (node.kind !== 'path' || !node.fill) return [];
    return [{ loops: flattenPath(node.path, OFF, matrix), rule: node.rule }];
  });
}
