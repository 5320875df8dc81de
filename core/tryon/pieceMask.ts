import { asDrawn } from '../document/index.ts';
import { compose, rotationMatrix, scalingMatrix, translationMatrix } from '../geometry/index.ts';
import { pathBounds, unionOf } from '../motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../paint/index.ts';
import { flatOutlines } from './flatPieces.ts';
import type { PieceMask } from './layPlan.ts';
import type { Product } from './product.ts';
import type { ProductDrawing } from './stage.ts';

/**
 * The pieces of a product that lie flat, their grain upright, as cells of a raster; a cell that is touched is taken.
 *
 * @param cell mm
 */
export function pieceMasks(
  product: Product,
  drawing: ProductDrawing,
  cell: number,
  backend: CanvasBackend,
): PieceMask[] {
  return flatOutlines(product, drawing).flatMap(({ piece, outline }): PieceMask[] => {
    const upright = rotationMatrix(-piece.grain);
    const box = unionOf(outline.map(({ path, matrix }) => pathBounds(path, compose(upright, matrix))));
    if (!box) return [];
    const [width, height] = [
      Math.max(1, Math.ceil((box.right - box.left) / cell)),
      Math.max(1, Math.ceil((box.bottom - box.top) / cell)),
    ];
    const { context, read } = backend.createSurface(width, height);
    const onto = compose(scalingMatrix(1 / cell, 1 / cell), translationMatrix(-box.left, -box.top));
    const fill = { kind: 'ink', ink: '#000000', opacity: 1 } as const;
    const nodes = outline.map(({ path, rule, matrix }) => ({
      kind: 'group' as const,
      matrix: compose(upright, matrix),
      opacity: 1,
      children: [{ kind: 'path' as const, path, rule, fill }],
    }));
    paintArtwork(context, nodes, onto, { backend, resolve: asDrawn, width, height });
    const pixels = read();
    const cells = Uint8Array.from({ length: width * height }, (_, i) => (pixels[i * 4 + 3] ? 1 : 0));
    return cells.some(Boolean) ? [{ id: piece.id, x: box.left, y: box.top, width, height, cells }] : [];
  });
}
