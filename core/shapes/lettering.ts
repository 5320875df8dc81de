import { translationMatrix } from '../geometry/index.ts';
import { pathBounds, type PathText, Pen, transformPath } from '../motif/index.ts';
import type { FontId } from '../recipe/index.ts';
import { type Figure, millimetres, type Values } from './figure.ts';
import type { Font, Glyph } from 'opentype.js';

/** Words; their outline needs a font, so it is made by `letterOutline`. */
export const LETTERING: Figure = {
  name: 'Lettering',
  measures: [
    millimetres('size', 'Size', 20, 2, 400),
    { key: 'spacing', name: 'Spacing', unit: '%', usual: 0, least: -20, most: 100, fixed: true },
  ],
  outline: () => '',
};

/** The fonts that ship with the app, by the names under which a recipe keeps them. */
export const FONTS = {
  bench: {
    name: 'Bench grotesque',
    file: '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-600-normal.woff',
  },
  chandler: { name: 'Chandler’s serif', file: '@fontsource/young-serif/files/young-serif-latin-400-normal.woff' },
  logbook: { name: 'Logbook hand', file: '@fontsource/caveat/files/caveat-latin-600-normal.woff' },
} as const satisfies Readonly<Record<FontId, { readonly name: string; readonly file: string }>>;

/**
 * A line of outlined words from the beginning of its base line, and its width. Letter after letter with the font's kerning: the
 * shaping of whole words fails on fonts whose rules the reader does not know.
 *
 * @param size of the letters, in the unit of what comes out
 * @param spacing added after each letter, in the same unit
 */
export function outlineLine(
  font: Font,
  text: string,
  size: number,
  spacing = 0,
): { readonly path: PathText; readonly width: number } {
  const unit = size / font.unitsPerEm;
  const drawn = new Pen();
  let x = 0;
  let last: Glyph | undefined;
  for (const letter of text) {
    const glyph = font.charToGlyph(letter);
    if (last) x += font.getKerningValue(last, glyph) * unit;
    for (const pathCommand of glyph.getPath(x, 0, size).commands) {
      if (pathCommand.type === 'M') drawn.move(pathCommand.x, pathCommand.y);
      else if (pathCommand.type === 'L') drawn.line(pathCommand.x, pathCommand.y);
      else if (pathCommand.type === 'Q') drawn.quad(pathCommand.x1, pathCommand.y1, pathCommand.x, pathCommand.y);
      else if (pathCommand.type === 'C')
        drawn.curve(pathCommand.x1, pathCommand.y1, pathCommand.x2, pathCommand.y2, pathCommand.x, pathCommand.y);
      else drawn.close();
    }
    x += (glyph.advanceWidth ?? 0) * unit + spacing;
    last = glyph;
  }
  return { path: drawn.toString(), width: x };
}

/** The outlined words, mm, about the middle of what is drawn of them; empty where nothing is drawn. */
export function letterOutline(font: Font, text: string, { size = 20, spacing = 0 }: Values): PathText {
  const { path } = outlineLine(font, text, size, (size * spacing) / 100);
  const box = pathBounds(path);
  return box ? transformPath(path, translationMatrix(-(box.left + box.right) / 2, -(box.top + box.bottom) / 2)) : '';
}
