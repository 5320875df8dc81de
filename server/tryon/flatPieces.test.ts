import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { dress, faceMap, prepareStage, type Product, type ProductDrawing, sceneSize } from '../../core/tryon/index.ts';
import { nodeBackend } from '../paint/nodeBackend.ts';
import { checkers, crossings, FILL, linear, nothing } from '../testing/checkers.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { readProductDrawing } from './readProductDrawing.ts';
import { shippedDrawing, shippedProducts } from './shippedProducts.ts';
import { removeFolder } from '../testing/folders.ts';

const folder = emptyFolder();
afterAll(() => removeFolder(folder));
const blobs = join(folder, 'blobs');

/** Drawings of products that ship, each read once. */
const drawings = new Map<string, Promise<ProductDrawing>>();
function drawingOf({ id, name, pieces }: Product): Promise<ProductDrawing> {
  const drawing =
    drawings.get(id) ??
    readProductDrawing({
      kind: 'product',
      name,
      svg: shippedDrawing(id),
      pieces: pieces.map((piece) => piece.id),
      blobs,
    });
  drawings.set(id, drawing);
  return drawing;
}

/** The height, in units of the scene, at which a product's one piece is widest. */
function widestRow(product: Product, drawing: ProductDrawing): number {
  const { width, height, scale } = sceneSize(product, 240);
  const stage = prepareStage(product, drawing, { left: 0, top: 0, right: width, bottom: height }, scale, nodeBackend());
  const counts = new Map<number, number>();
  for (const at of stage.covered) counts.set(Math.floor(at / width), (counts.get(Math.floor(at / width)) ?? 0) + 1);
  const [widest] = [...counts].sort((p, q) => q[1] - p[1])[0] ?? [0];
  return (widest + 0.5) / scale;
}

describe('a pattern on a flat piece that ships', () => {
  const flat = [...shippedProducts().values()].flatMap((product) =>
    product.pieces.flatMap((piece) => (piece.face.kind === 'flat' ? [{ product, piece, face: piece.face }] : [])),
  );
  for (const { product, piece, face } of flat)
    it(`is right to 0.1 mm: ${product.name}, ${piece.name}`, async () => {
      const drawing = await drawingOf(product);
      const only = { ...product, pieces: [piece] };
      const bare = { ...drawing, light: nothing(1, 1), over: nothing(1, 1) };
      const { width, scale } = sceneSize(product, 2400);
      const { toCloth } = faceMap(face);
      const out = new Float64Array(2);
      // The row with most of the piece in it, moved so that it lies well within a row of squares.
      let row = Math.round(widestRow(only, bare) * scale);
      for (; face.rotation === 0; row += 1) {
        toCloth(300, (row + 0.5) / scale, out);
        const v = ((out[1] as number) - piece.datum.y) / 10;
        if (Math.abs(v - Math.round(v)) > 0.25) break;
      }
      const stage = prepareStage(
        only,
        bare,
        { left: 0, top: row, right: width, bottom: row + 1 },
        scale,
        nodeBackend(),
      );
      const pixels = dress(stage, new Map([[piece.id, { pattern: checkers(10), fill: FILL }]]));
      const light = (x: number): number => linear(pixels[x * 4] as number);
      const cos = Math.cos((face.rotation * Math.PI) / 180);
      const columns = [...stage.covered];
      const run = columns.filter((x, n) => n > 4 && n < columns.length - 5 && columns[n + 1] === x + 1);
      const first = run[0] ?? 0;
      const seen = crossings(run.length, (n) => light(first + n)).map((n) => ((first + n) * face.unit) / scale);
      if (face.rotation !== 0) {
        // A turned piece: the squares' upright edges are so much farther apart along a level row; their level ones are left out.
        const upright = seen.filter((mm) => {
          toCloth(mm / face.unit, (row + 0.5) / scale, out);
          const u = ((out[0] as number) - piece.datum.x) / 10;
          return Math.abs(u - Math.round(u)) < 0.02;
        });
        expect(upright.length).toBeGreaterThan(6);
        const gaps = upright.slice(1).map((mm, n) => (mm - (upright[n] as number)) * cos);
        for (const gap of gaps) expect(Math.abs(gap - 10 * Math.round(gap / 10))).toBeLessThan(0.1);
        return;
      }
      expect(seen.length).toBeGreaterThan(6);
      const origin = face.x * face.unit + piece.datum.x;
      for (const mm of seen) {
        const squares = (mm - origin) / 10;
        expect(Math.abs(squares - Math.round(squares)) * 10).toBeLessThan(0.1);
      }
    });
});
