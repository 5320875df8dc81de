import { asDrawn } from '../document/index.ts';
import { type CanvasBackend, paintArtwork } from '../paint/index.ts';
import type { PieceMask } from './layPlan.ts';
import type { Product } from './product.ts';
import type { ProductDrawing } from './stage.ts';

/**
 * The pieces of a product that lie flat, as cells of a raster; a cell that is touched is taken.
 *
 * @param cell mm
 */
export function pieceMasks(
  { width, height, pieces }: Product,
  { outlines }: ProductDrawing,
  cell: number,
  backend: CanvasBackend,
): PieceMask[] {
  return pieces.flatMap(({ id, face }): PieceMask[] => {
    const outline = outlines.find((one) => one.id === id);
    if (face.kind !== 'flat' || !outline) return [];
    const scale = face.unit / cell;
    const [columns, rows] = [Math.ceil(width * scale), Math.ceil(height * scale)];
    const { context, read } = backend.createSurface(columns, rows);
    paintArtwork(context, outline.artwork.nodes, [scale, 0, 0, scale, 0, 0], {
      backend,
      resolve: asDrawn,
      width: columns,
      height: rows,
    });
    const pixels = read();
    let [left, top, right, bottom] = [columns, rows, 0, 0];
    for (let i = 0; i < columns * rows; i += 1) {
      if (!pixels[i * 4 + 3]) continue;
      const [x, y] = [i % columns, Math.floor(i / columns)];
      left = Math.min(left, x);
      right = Math.max(right, x + 1);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y + 1);
    }
    const [wide, high] = [Math.max(0, right - left), Math.max(0, bottom - top)];
    const cells = Uint8Array.from({ length: wide * high }, (_, i) =>
      pixels[((top + Math.floor(i / wide)) * columns + left + (i % wide)) * 4 + 3] ? 1 : 0,
    );
    return wide > 0 ? [{ id, width: wide, height: high, cells }] : [];
  });
}
