import type { Hex } from '../../core/colour/index.ts';
import type { Box } from '../../core/geometry/index.ts';

/** What a sheet is drawn on; lengths in mm from the page's upper left corner. */
export interface SheetSurface {
  /** Begins a page. */
  page(width: number, height: number): void;
  picture(png: Buffer, box: Box): Promise<void>;
  /** One line of words from its base line's beginning, cut with an ellipsis where it is longer than `most`. */
  words(
    text: string,
    x: number,
    y: number,
    style: { readonly size: number; readonly bold: boolean; readonly most: number },
  ): void;
  dot(colour: Hex, x: number, y: number, radius: number): void;
  /** The file. */
  finish(): Promise<Uint8Array>;
}

/** The longest beginning of a text that is no wider than `most`, with an ellipsis where something is cut off. */
export function cutToWidth(text: string, most: number, widthOf: (text: string) => number): string {
  if (widthOf(text) <= most) return text;
  const letters = [...text];
  while (letters.length > 0 && widthOf(`${letters.join('').trimEnd()}…`) > most) letters.pop();
  return `${letters.join('').trimEnd()}…`;
}
