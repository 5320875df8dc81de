import { array, object, type InferType } from 'yup';
import { asDrawn } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import { type ArtworkNode, artworkSchema } from '../motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../paint/index.ts';
import { idSchema, type Immutable } from '../schema/index.ts';
import { TO_LINEAR } from './linearLight.ts';
import { markedSchema } from './marked.ts';
import type { Product } from './product.ts';
import { laidOver, lightFactors, pixelsAt, underLight } from './stageLight.ts';
import { type StagePiece, stagePiece } from './stagePiece.ts';

/** What a product is drawn with, in units of its scene. */
export const productDrawingSchema = object({
  /** Below the cloth. */
  under: artworkSchema,
  /** Light on the cloth: black of an opacity takes that share of it away, white adds it. */
  light: artworkSchema,
  /** Seams and whatever else lies on the cloth. */
  over: artworkSchema,
  /** The outline of each piece. */
  outlines: array(object({ id: idSchema, artwork: artworkSchema }).noUnknown()).required(),
  /** Of a photograph all that was marked on it. */
  marked: markedSchema.optional().default(undefined),
})
  .noUnknown()
  .required();
export type ProductDrawing = Immutable<InferType<typeof productDrawingSchema>>;

/** All that stays as it is while patterns are moved on a product, for one part of the picture. */
export interface Stage {
  readonly width: number;
  readonly height: number;
  /** The picture where there is no cloth: RGBA, sRGB. */
  readonly still: Uint8ClampedArray;
  /** The pixels that any piece covers. */
  readonly covered: Uint32Array;
  /** Of each of those what lies below the cloth: RGB, linear, 0 to 65535. */
  readonly under: Float32Array;
  /** What the cloth's own light is multiplied by. */
  readonly light: Float32Array;
  /** What lies over it: RGBA, sRGB, not premultiplied. */
  readonly over: Uint8ClampedArray;
  readonly pieces: readonly StagePiece[];
}

/**
 * Prepares a part of a product's picture.
 *
 * @param window whole pixels of the picture
 * @param scale pixels to a unit of the scene
 */
export function prepareStage(
  product: Product,
  drawing: ProductDrawing,
  window: Box,
  scale: number,
  backend: CanvasBackend,
): Stage {
  const [width, height] = [window.right - window.left, window.bottom - window.top];
  const paint = ({ nodes }: { readonly nodes: readonly ArtworkNode[] }): Uint8ClampedArray => {
    const { context, read } = backend.createSurface(width, height);
    paintArtwork(context, nodes, [scale, 0, 0, scale, -window.left, -window.top], {
      backend,
      resolve: asDrawn,
      width,
      height,
    });
    return read();
  };
  const outlines = new Map(drawing.outlines.map(({ id, artwork }) => [id, artwork]));
  const over = paint(drawing.over);
  const pieces = product.pieces.flatMap((piece) => {
    const outline = outlines.get(piece.id);
    return outline ? [stagePiece(piece, seenOf(paint(outline), over), window, scale)] : [];
  });
  const covered = union(pieces, width * height);
  const below = paint(drawing.under);
  const behind = [1, 3, 5].map((at) => TO_LINEAR[parseInt(product.backdrop.slice(at, at + 2), 16)] as number);
  return {
    width,
    height,
    still: laidOver(below, over, behind),
    covered,
    under: underLight(below, covered, behind),
    light: lightFactors(paint(drawing.light), covered),
    over: pixelsAt(over, covered),
    pieces,
  };
}

/** What is seen of an outline: nothing where what lies over it hides it. */
function seenOf(outline: Uint8ClampedArray, over: Uint8ClampedArray): Uint8ClampedArray {
  for (let i = 3; i < outline.length; i += 4) if (over[i] === 255) outline[i] = 0;
  return outline;
}

/** The pixels that pieces cover, in order; each piece's own are told by their places among them from then on. */
function union(pieces: readonly StagePiece[], pixels: number): Uint32Array {
  const isCovered = new Uint8Array(pixels);
  let count = 0;
  for (const { at } of pieces)
    for (const pixel of at) {
      count += 1 - (isCovered[pixel] as number);
      isCovered[pixel] = 1;
    }
  const covered = new Uint32Array(count);
  for (let pixel = 0, n = 0; n < count; pixel += 1) if (isCovered[pixel] === 1) covered[n++] = pixel;
  for (const { at } of pieces)
    for (let n = 0, place = 0; n < at.length; n += 1) {
      while (covered[place] !== at[n]) place += 1;
      at[n] = place;
    }
  return covered;
}

/** The whole picture of a product, its longer side in pixels. */
export function sceneSize(
  { width, height }: Pick<Product, 'width' | 'height'>,
  side: number,
): { readonly width: number; readonly height: number; readonly scale: number } {
  const scale = side / Math.max(width, height);
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)), scale };
}

/** The finest detail of a pattern that a stage can show: pixels to a mm of its cloth where that is seen largest. */
export function densityOn(stage: Stage, piece: string): number {
  const { cloth } = stage.pieces.find((one) => one.piece.id === piece) ?? { cloth: new Float32Array(0) };
  let least = Infinity;
  for (let o = 0; o < cloth.length; o += 6) {
    const [ax, ay, bx, by] = [cloth[o + 2], cloth[o + 3], cloth[o + 4], cloth[o + 5]] as [
      number,
      number,
      number,
      number,
    ];
    const major = Math.max(Math.hypot(ax, ay), Math.hypot(bx, by));
    const area = Math.abs(ax * by - ay * bx);
    // The narrower way across the pixel; nothing where the face turns away.
    if (area > 0) least = Math.min(least, area / major);
  }
  return least === Infinity ? 0 : 1 / least;
}

/** Which piece is seen where, and how large each is. */
export interface PieceMap {
  readonly width: number;
  readonly height: number;
  /** For each pixel the number of the piece on top, from 1 on; 0 where there is none. */
  readonly top: Uint8Array;
  /** What is seen of each piece's cloth, mm. */
  readonly extents: readonly Box[];
}

/** Says which piece of a stage is seen where. */
export function pieceMap({ width, height, pieces, covered }: Stage): PieceMap {
  const top = new Uint8Array(width * height);
  const extents = pieces.map(({ at, cover, cloth }, n) => {
    let [left, right, upper, lower] = [Infinity, -Infinity, Infinity, -Infinity];
    at.forEach((place, k) => {
      if ((cover[k] as number) < 0.5) return;
      top[covered[place] as number] = n + 1;
      const [u, v] = [cloth[k * 6] as number, cloth[k * 6 + 1] as number];
      left = Math.min(left, u);
      right = Math.max(right, u);
      upper = Math.min(upper, v);
      lower = Math.max(lower, v);
    });
    return { left, top: upper, right, bottom: lower };
  });
  return { width, height, top, extents };
}
