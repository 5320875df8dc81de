import type { Box } from '../geometry/index.ts';
import { type FaceMap, faceMap } from './face/index.ts';
import type { Piece } from './product.ts';

/** Where one piece is seen in a part of the picture. */
export interface StagePiece {
  readonly piece: Piece;
  /** Of the stage's covered pixels those that it covers, by their places among them, ascending. */
  readonly at: Uint32Array;
  /** How much of each it covers, 0 to 1. */
  readonly cover: Float32Array;
  /** Six for each: where on its cloth the pixel's middle lies, mm, and how far that moves with a pixel to the right, and down. */
  readonly cloth: Float32Array;
}

/**
 * Finds where a piece is seen, with the pixels that it covers told by their places in the window.
 *
 * @param outline its outline as drawn in the window, RGBA: only opacity is looked at
 * @param window whole pixels of the picture
 * @param scale pixels to a unit of the scene
 */
export function stagePiece(piece: Piece, outline: Uint8ClampedArray, window: Box, scale: number): StagePiece {
  const found = new Finding(faceMap(piece.face), outline, window, scale);
  for (let y = 0; y < window.bottom - window.top; y += 1) found.addRow(y);
  return { piece, ...found.pixels() };
}

/** What is found of a piece so far, row by row: a row is a call of its own, which the engine makes fast where it would not one long loop. */
class Finding {
  readonly #width: number;
  readonly #height: number;
  readonly #unit: number;
  readonly #at: Uint32Array;
  readonly #cover: Float32Array;
  readonly #cloth: Float32Array;
  readonly #on = new Float64Array(2);
  /** Where the pixels of three rows are on the cloth; not a number where the face is not seen. */
  #above: Float32Array;
  #row: Float32Array;
  #below: Float32Array;
  #count = 0;

  constructor(
    readonly face: FaceMap,
    readonly outline: Uint8ClampedArray,
    readonly window: Box,
    scale: number,
  ) {
    this.#width = window.right - window.left;
    this.#height = window.bottom - window.top;
    this.#unit = 1 / scale;
    const most = countOpaque(outline);
    this.#at = new Uint32Array(most);
    this.#cover = new Float32Array(most);
    this.#cloth = new Float32Array(most * 6);
    const emptyRow = (): Float32Array => new Float32Array(this.#width * 2).fill(NaN);
    [this.#above, this.#row, this.#below] = [emptyRow(), emptyRow(), emptyRow()];
    if (most > 0) this.#findRow(0, this.#below);
  }

  /** Adds the pixels of the next row. */
  addRow(y: number): void {
    if (this.#count === this.#at.length) return;
    [this.#above, this.#row, this.#below] = [this.#row, this.#below, this.#above];
    if (y + 1 < this.#height) this.#findRow(y + 1, this.#below);
    else this.#below.fill(NaN);
    // A hot loop: what it reads and writes is at hand.
    const { outline } = this;
    const width = this.#width;
    const [above, row, below] = [this.#above, this.#row, this.#below];
    const [at, cover, cloth] = [this.#at, this.#cover, this.#cloth];
    let n = this.#count;
    for (let x = 0, i = y * width; x < width; x += 1, i += 1) {
      const alpha = outline[i * 4 + 3] as number;
      if (alpha === 0) continue;
      const o = n * 6;
      const u = row[x * 2] as number;
      if (u === u) {
        const v = row[x * 2 + 1] as number;
        cloth[o] = u;
        cloth[o + 1] = v;
        // Where the face ends there, to the other side.
        if (!this.#step(o + 2, u, v, row, x + 1, y, 1)) this.#step(o + 2, u, v, row, x - 1, y, -1);
        if (!this.#step(o + 4, u, v, below, x, y + 1, 1)) this.#step(o + 4, u, v, above, x, y - 1, -1);
      } else {
        // Just beside its face, along an edge, a piece shows what is nearest within.
        if (n === 0 || at[n - 1] !== i - 1) continue;
        cloth.copyWithin(o, o - 6, o);
      }
      at[n] = i;
      cover[n] = alpha / 255;
      n += 1;
    }
    this.#count = n;
  }

  pixels(): Omit<StagePiece, 'piece'> {
    const n = this.#count;
    return { at: this.#at.subarray(0, n), cover: this.#cover.subarray(0, n), cloth: this.#cloth.subarray(0, n * 6) };
  }

  #findRow(y: number, row: Float32Array): void {
    const width = this.#width;
    for (let x = 0, i = y * width * 4 + 3; x < width; x += 1, i += 4) {
      const isSeen = this.outline[i] !== 0 && this.#look(x, y);
      row[x * 2] = isSeen ? (this.#on[0] as number) : NaN;
      row[x * 2 + 1] = this.#on[1] as number;
    }
  }

  #look(x: number, y: number): boolean {
    const { left, top } = this.window;
    return this.face.toCloth((x + left + 0.5) * this.#unit, (y + top + 0.5) * this.#unit, this.#on);
  }

  /** Writes how far the cloth moves from (u, v) to a neighbour in a row, or says that the face is not seen there. */
  #step(o: number, u: number, v: number, known: Float32Array, x: number, y: number, sign: 1 | -1): boolean {
    const next = x >= 0 && x < this.#width ? (known[x * 2] as number) : NaN;
    const isKnown = next === next;
    if (!isKnown && !this.#look(x, y)) return false;
    this.#cloth[o] = sign * ((isKnown ? next : (this.#on[0] as number)) - u);
    this.#cloth[o + 1] = sign * ((isKnown ? (known[x * 2 + 1] as number) : (this.#on[1] as number)) - v);
    return true;
  }
}

function countOpaque(pixels: Uint8ClampedArray): number {
  let count = 0;
  for (let i = 3; i < pixels.length; i += 4) if (pixels[i] !== 0) count += 1;
  return count;
}
