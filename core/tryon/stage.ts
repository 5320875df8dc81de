import { array, object, type InferType } from 'yup';
import { asDrawn } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import { type ArtworkNode, artworkSchema } from '../motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../paint/index.ts';
import { idSchema, type Immutable } from '../schema/index.ts';
import { faceMap } from './face/index.ts';
import { TO_LINEAR } from './linearLight.ts';
import { markedSchema } from './marked.ts';
import type { Piece, Product } from './product.ts';
import { gathered, laidOver, lightFactors, underLight } from './stageLight.ts';

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

/** Where one piece is seen in a part of the picture. */
export interface StagePiece {
  readonly piece: Piece;
  /** Of the stage's covered pixels those that it covers, by their places among them. */
  readonly at: Uint32Array;
  /** How much of each it covers, 0 to 1. */
  readonly cover: Float32Array;
  /** Six for each: where on its cloth the pixel's middle lies, mm, and how far that moves with a pixel to the right, and down. */
  readonly cloth: Float32Array;
}

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
    over: gathered(over, covered, 4),
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
  const place = new Int32Array(pixels).fill(-1);
  for (const { at } of pieces) for (const pixel of at) place[pixel] = 0;
  let count = 0;
  for (let pixel = 0; pixel < pixels; pixel += 1) if (place[pixel] === 0) place[pixel] = count++;
  const covered = new Uint32Array(count);
  for (let pixel = 0; pixel < pixels; pixel += 1) {
    const n = place[pixel] as number;
    if (n >= 0) covered[n] = pixel;
  }
  for (const { at } of pieces) for (let n = 0; n < at.length; n += 1) at[n] = place[at[n] as number] as number;
  return covered;
}

function stagePiece(piece: Piece, pixels: Uint8ClampedArray, window: Box, scale: number): StagePiece {
  const { toCloth } = faceMap(piece.face);
  const width = window.right - window.left;
  const count = pixels.length / 4;
  const on = new Float64Array(2);
  const look = (x: number, y: number): boolean =>
    toCloth((x + window.left + 0.5) / scale, (y + window.top + 0.5) / scale, on);
  // Where on the cloth each covered pixel is, by its place in the window; nothing where the face is not seen.
  const where = new Float32Array(count * 2).fill(NaN);
  let covered = 0;
  for (let i = 0; i < count; i += 1) {
    if (!pixels[i * 4 + 3]) continue;
    covered += 1;
    if (!look(i % width, Math.floor(i / width))) continue;
    where[i * 2] = on[0] as number;
    where[i * 2 + 1] = on[1] as number;
  }
  const at = new Uint32Array(covered);
  const cover = new Float32Array(covered);
  const cloth = new Float32Array(covered * 6);
  let n = 0;
  /** Writes how far the cloth moves with a step to a neighbour, or with one to the other side where the face ends there. */
  const step = (i: number, x: number, y: number, dx: 0 | 1, dy: 0 | 1): void => {
    for (let sign = 1; sign >= -1; sign -= 2) {
      const nx = x + sign * dx;
      const ny = y + sign * dy;
      const next = nx >= 0 && nx < width ? where[(ny * width + nx) * 2] : undefined;
      if (next !== undefined && next === next) {
        on[0] = next;
        on[1] = where[(ny * width + nx) * 2 + 1] as number;
      } else if (!look(nx, ny)) continue;
      cloth[n * 6 + 2 + 2 * dy] = sign * ((on[0] as number) - (where[i * 2] as number));
      cloth[n * 6 + 3 + 2 * dy] = sign * ((on[1] as number) - (where[i * 2 + 1] as number));
      return;
    }
  };
  for (let i = 0; i < count; i += 1) {
    const alpha = pixels[i * 4 + 3] as number;
    if (!alpha) continue;
    const isSeen = !Number.isNaN(where[i * 2]);
    // Just beside its face, along an edge, a piece shows what is nearest within.
    if (!isSeen && (n === 0 || at[n - 1] !== i - 1)) continue;
    at[n] = i;
    cover[n] = alpha / 255;
    if (isSeen) {
      cloth[n * 6] = where[i * 2] as number;
      cloth[n * 6 + 1] = where[i * 2 + 1] as number;
      const x = i % width;
      const y = (i - x) / width;
      step(i, x, y, 1, 0);
      step(i, x, y, 0, 1);
    } else cloth.copyWithin(n * 6, (n - 1) * 6, n * 6);
    n += 1;
  }
  return { piece, at: at.subarray(0, n), cover: cover.subarray(0, n), cloth: cloth.subarray(0, n * 6) };
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
