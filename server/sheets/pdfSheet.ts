import { PDFDocument, type PDFPage, rgb } from 'pdf-lib';
import { channels } from '../../core/colour/index.ts';
import { POINTS_PER_MM } from '../vector/pdfContent.ts';
import { PDF_INK, pdfWords } from './pdfWords.ts';
import type { SheetSurface } from './sheetSurface.ts';

/** A sheet as a PDF whose words can be searched. */
export async function pdfSheet(title: string): Promise<SheetSurface> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Hevrel');
  const { write } = await pdfWords(pdf);
  let sheet: PDFPage | undefined;
  const current = (): PDFPage => (sheet ??= pdf.addPage());
  const up = (y: number): number => current().getHeight() - y * POINTS_PER_MM;
  return {
    page(width, height) {
      sheet = pdf.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
    },
    async picture(png, { left, top, right, bottom }) {
      const image = await pdf.embedPng(png);
      current().drawImage(image, {
        x: left * POINTS_PER_MM,
        y: up(bottom),
        width: (right - left) * POINTS_PER_MM,
        height: (bottom - top) * POINTS_PER_MM,
      });
    },
    words: write,
    dot(colour, x, y, radius) {
      const [r, g, b] = channels(colour);
      current().drawCircle({
        x: x * POINTS_PER_MM,
        y: up(y),
        size: radius * POINTS_PER_MM,
        color: rgb(r / 255, g / 255, b / 255),
        borderColor: PDF_INK,
        borderWidth: 0.25,
        borderOpacity: 0.3,
      });
    },
    finish: () => pdf.save(),
  };
}
