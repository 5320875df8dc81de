import { createRequire } from 'node:module';
import type * as opentype from 'opentype.js';

// Node takes the package's older form, whose names an import does not see.
const require = createRequire(import.meta.url);
const { Font, Glyph, Path } = require('opentype.js') as typeof opentype;

/** A font that is nowhere else: each letter is a square that fills its em. */
export function tideFont(family = 'Tide Square'): Buffer {
  const square = new Path();
  square.moveTo(0, 0);
  square.lineTo(0, 1000);
  square.lineTo(1000, 1000);
  square.lineTo(1000, 0);
  square.close();
  const glyph = (name: string, unicode: number | undefined, path: opentype.Path): opentype.Glyph =>
    new Glyph({ name, advanceWidth: 1000, path, ...(unicode !== undefined && { unicode }) });
  const font = new Font({
    familyName: family,
    styleName: 'Regular',
    unitsPerEm: 1000,
    ascender: 1000,
    descender: -200,
    glyphs: [glyph('.notdef', undefined, new Path()), glyph('o', 'o'.charCodeAt(0), square)],
  });
  return Buffer.from(font.toArrayBuffer());
}
