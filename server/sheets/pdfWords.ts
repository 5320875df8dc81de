import fontkit from '@pdf-lib/fontkit';
import { type PDFDocument, type PDFFont, rgb } from 'pdf-lib';
import { POINTS_PER_MM } from '../vector/pdfContent.ts';
import { readSheetFont } from './sheetFonts.ts';
import { cutToWidth, type SheetSurface } from './sheetSurface.ts';

/** The colour of what is written. */
export const PDF_INK = rgb(31 / 255, 36 / 255, 48 / 255);

export interface PdfWords {
  /** Writes a line on the last page, as a sheet's surface does. */
  readonly write: SheetSurface['words'];
}

/** What writes words into a PDF, in the interface's own font. */
export async function pdfWords(pdf: PDFDocument): Promise<PdfWords> {
  pdf.registerFontkit(fontkit);
  const regular = await pdf.embedFont(readSheetFont('regular'), { subset: true });
  const bold = await pdf.embedFont(readSheetFont('bold'), { subset: true });
  return {
    write(text, x, y, { size, bold: isBold, most }) {
      const page = pdf.getPage(pdf.getPageCount() - 1);
      const font = isBold ? bold : regular;
      const points = size * POINTS_PER_MM;
      const shown = writable(text, font);
      page.drawText(
        cutToWidth(shown, most * POINTS_PER_MM, (part) => font.widthOfTextAtSize(part, points)),
        { x: x * POINTS_PER_MM, y: page.getHeight() - y * POINTS_PER_MM, size: points, font, color: PDF_INK },
      );
    },
  };
}

/** The text without letters that the font has not got. */
function writable(text: string, font: PDFFont): string {
  const known = new Set(font.getCharacterSet());
  return [...text].map((letter) => (known.has(letter.codePointAt(0) ?? 0) ? letter : '?')).join('');
}
