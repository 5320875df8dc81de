import type { Font } from 'opentype.js';
import type { PathText } from '../motif/artwork.ts';
import { millimetres, type Figure, type Values } from './figure.ts';
import { Pen } from './pen.ts';

/** Words; their outline needs a font, so it is made by `letterOutline`. */
export const LETTERING: Figure = {
  name: 'Lettering',
  measures: [millimetres('size', 'Size', 20, 2, 400), { key: 'spacing', name: 'Spacing', unit: '%', usual: 0, least: -20, most: 100, fixed: true }],
  outline: () => '',
};

/** The fonts that ship with the app, by the names under which a recipe keeps them. */
export const FONTS = {
  bench: { name: 'Bench grotesque', file: '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-600-normal.woff' },
  chandler: { name: 'Chandler’s serif', file: '@fontsource/young-serif/files/young-serif-latin-400-normal.woff' },
  logbook: { name: 'Logbook hand', file: '@fontsource/caveat/files/caveat-latin-600-normal.woff' },
} as const;

export type FontId = keyof typeof FONTS;
export const FONT_IDS = Object.keys(FONTS) as FontId[];

/** The outlined words, mm, about the middle of what is drawn of them; empty where nothing is drawn. */
export function letterOutline(font: Font, text: string, { size = 20, spacing = 0 }: Values): PathText {
  const path = font.getPath(text, 0, 0, size, { letterSpacing: spacing / 100 });
  if (path.commands.length === 0) return '';
  const { x1, y1, x2, y2 } = path.getBoundingBox();
  const [dx, dy] = [-(x1 + x2) / 2, -(y1 + y2) / 2];
  const pen = new Pen();
  for (const one of path.commands) {
    if (one.type === 'M') pen.move(one.x + dx, one.y + dy);
    else if (one.type === 'L') pen.line(one.x + dx, one.y + dy);
    else if (one.type === 'Q') pen.quad(one.x1 + dx, one.y1 + dy, one.x + dx, one.y + dy);
    else if (one.type === 'C') pen.curve(one.x1 + dx, one.y1 + dy, one.x2 + dx, one.y2 + dy, one.x + dx, one.y + dy);
    else pen.close();
  }
  return pen.toString();
}
