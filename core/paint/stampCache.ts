import type { Easel, Sheet } from './surface.ts';

/** Painted stamps, kept from one painting of the cloth to the next: after a move all but one are still right. */
export class StampCache {
  readonly #sheets = new Map<string, { readonly sheet: Sheet; readonly pixels: number }>();
  #pixels = 0;

  /** @param limit pixels kept in all; the longest unused go first */
  constructor(
    readonly easel: Easel,
    readonly limit = 1 << 25,
  ) {}

  /** The sheet kept under the key, or a new one that `paint` is given to fill. */
  sheet(key: string, width: number, height: number, paint: (sheet: Sheet) => void): Sheet {
    const kept = this.#sheets.get(key);
    if (kept) {
      // Moved to the end: a Map keeps the order of insertion.
      this.#sheets.delete(key);
      this.#sheets.set(key, kept);
      return kept.sheet;
    }
    const sheet = this.easel.sheet(1, 1);
    paint(sheet);
    const pixels = width * height;
    this.#sheets.set(key, { sheet, pixels });
    this.#pixels += pixels;
    for (const [oldest, { pixels: freed }] of this.#sheets) {
      if (this.#pixels <= this.limit || oldest === key) break;
      this.#sheets.delete(oldest);
      this.#pixels -= freed;
    }
    return sheet;
  }
}
