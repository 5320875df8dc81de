import type { CanvasBackend, OffscreenSurface } from './canvasBackend.ts';

/** What was painted, to be laid down. */
export type Sprite = Pick<OffscreenSurface, 'pixels'>;

/** Painted sprites, kept from one painting of the cloth to the next: after a move all but one are still right. */
export class SpriteCache {
  readonly #sheets = new Map<string, { readonly sheet: Sprite; readonly pixels: number }>();
  #pixels = 0;

  /** @param limit pixels kept in all; the longest unused go first */
  constructor(
    readonly backend: CanvasBackend,
    readonly limit = 1 << 25,
  ) {}

  /** The sheet kept under the key, or a new one that `paint` is given to fill. */
  sheet(key: string, width: number, height: number, paint: (sheet: OffscreenSurface) => void): Sprite {
    const kept = this.kept(key);
    if (kept) return kept;
    const sheet = this.backend.createSurface(1, 1);
    paint(sheet);
    this.keep(key, sheet, width * height);
    return sheet;
  }

  /** The sheet kept under the key, if there is one. */
  kept(key: string): Sprite | undefined {
    const kept = this.#sheets.get(key);
    if (!kept) return undefined;
    // Moved to the end: a Map keeps the order of insertion.
    this.#sheets.delete(key);
    this.#sheets.set(key, kept);
    return kept.sheet;
  }

  /** Keeps what was painted elsewhere. @param pixels how many it is of */
  keep(key: string, sheet: Sprite, pixels: number): void {
    this.#pixels += pixels - (this.#sheets.get(key)?.pixels ?? 0);
    this.#sheets.delete(key);
    this.#sheets.set(key, { sheet, pixels });
    for (const [oldest, { pixels: freed }] of this.#sheets) {
      if (this.#pixels <= this.limit || oldest === key) break;
      this.#sheets.delete(oldest);
      this.#pixels -= freed;
    }
  }
}
