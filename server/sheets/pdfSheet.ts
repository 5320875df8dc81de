import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, type PDFFont, type PDFPage, rgb } from 'pdf-lib';
import { channels } from '../../core/colour/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { readSheetFont } from './sheetFonts.ts';
import { cutToWidth, type SheetSurface } from './sheetSurface.ts';

const POINTS = 72 / MM_PER_INCH;
const INK = rgb(31 / 255, 36 / 255, 48 / 255);

/** A sheet as a PDF whose words can be searched. */
export async function pdfSheet(title: string): Promise<SheetSurface> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  pdf.setCreator('Hevrel');
  const regular = await pdf.embedFont(readSheetFont('regular'), { subset: true });
  const bold = await pdf.embedFont(readSheetFont('bold'), { subset: true });
  let sheet: PDFPage | undefined;
  const current = (): PDFPage => (sheet ??= pdf.addPage());
  const up = (y: number): number => current().getHeight() - y * POINTS;
  return {
    page(width, height) {
      sheet = pdf.addPage([width * POINTS, height * POINTS]);
    },
    async picture(png, { left, top, right, bottom }) {
      const image = await pdf.embedPng(png);
      current().drawImage(image, {
        x: left * POINTS,
        y: up(bottom),
        width: (right - left) * POINTS,
        height: (bottom - top) * POINTS,
      });
    },
    words(text, x, y, { size, bold: isBold, most }) {
      const font = isBold ? bold : regular;
      const shown = writable(text, font);
      const cut = cutToWidth(shown, most * POINTS, (part) => font.widthOfTextAtSize(part, size * POINTS));
      current().drawText(cut, { x: x * POINTS, y: up(y), size: size * POINTS, font, color: INK });
    },
    dot(colour, x, y, radius) {
      const [r, g, b] = channels(colour);
      current().drawCircle({
        x: x * POINTS,
        y: up(y),
        size: radius * POINTS,
        color: rgb(r / 255, g / 255, b / 255),
        borderColor: INK,
        borderWidth: 0.25,
        borderOpacity: 0.3,
      });
    },
    finish: () => pdf.save(),
  };
}

/** The text without letters that the font has not got. */
function writable(text: string, font: PDFFont): string {
  const known = new Set(font.getCharacterSet());
  return [...text].map((letter) => (known.has(letter.codePointAt(0) ?? 0) ? letter : '?')).join('');
}
