import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { createCanvas, DOMMatrix, ImageData, Path2D } from '@napi-rs/canvas';
import type { PDFDocumentProxy, PDFPageProxy } from 'pdfjs-dist';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { Problem } from '../problem.ts';
import { type FlatPicture, flatSize } from './flatPicture.ts';

/** Pages after these are not drawn. */
const MOST_PAGES = 12;
/** Sides of a page that can be drawn, mm. */
const PAGE_MM = { least: 1, most: 10_000 };
const PT_PER_MM = 72 / MM_PER_INCH;

/** Draws the pages of a PDF on white, one after another. @throws Problem */
export async function* flatPages(name: string, content: Uint8Array): AsyncGenerator<FlatPicture> {
  const document = await opened(name, content);
  try {
    for (let n = 1; n <= Math.min(MOST_PAGES, document.numPages); n += 1) {
      const page = await document.getPage(n).catch(() => {
        throw broken(name);
      });
      yield await flatPage(name, page);
      page.cleanup();
    }
  } finally {
    await document.destroy();
  }
}

async function opened(name: string, content: Uint8Array): Promise<PDFDocumentProxy> {
  // What the engine expects of a browser is there before it is loaded.
  Object.assign(globalThis, { DOMMatrix, ImageData, Path2D });
  const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const own = dirname(createRequire(import.meta.url).resolve('pdfjs-dist/package.json'));
  try {
    return await getDocument({
      data: new Uint8Array(content),
      CanvasFactory: Sheets,
      standardFontDataUrl: join(own, 'standard_fonts/'),
      cMapUrl: join(own, 'cmaps/'),
      isEvalSupported: false,
      useSystemFonts: false,
      verbosity: VerbosityLevel.ERRORS,
    }).promise;
  } catch (error) {
    const isLocked = error instanceof Error && error.name === 'PasswordException';
    if (!isLocked) throw broken(name);
    throw new Problem(
      422,
      'Cannot be read',
      `“${name}” is locked by a password. Nothing was added; save it without one and import it again.`,
    );
  }
}

function broken(name: string): Problem {
  return new Problem(
    422,
    'Cannot be read',
    `“${name}” is damaged or cut short and cannot be read. Nothing was added; save it again and import it again.`,
  );
}

async function flatPage(name: string, page: PDFPageProxy): Promise<FlatPicture> {
  const viewport = page.getViewport({ scale: 1 });
  const [width, height] = [viewport.width / PT_PER_MM, viewport.height / PT_PER_MM];
  if (![width, height].every((side) => side >= PAGE_MM.least && side <= PAGE_MM.most))
    throw new Problem(
      422,
      'Cannot be read',
      `“${name}” has a page of a size that cannot be drawn. Nothing was added; export it with pages of ${PAGE_MM.least} to ${PAGE_MM.most.toLocaleString('en')} mm.`,
    );
  const [across, down] = flatSize(width, height);
  const canvas = createCanvas(across, down);
  // Stretched to whole pixels: a last row that is half covered would be a line in the cloth.
  const transform = [across / viewport.width, 0, 0, down / viewport.height, 0, 0];
  await page.render({ canvasContext: canvas.getContext('2d') as never, viewport, transform }).promise;
  const { data } = canvas.getContext('2d').getImageData(0, 0, across, down);
  return { pixels: { width: across, height: down, data: new Uint8ClampedArray(data) }, width };
}

/** Gives the engine the sheets that it draws parts on. */
class Sheets {
  create(width: number, height: number) {
    const canvas = createCanvas(width, height);
    return { canvas, context: canvas.getContext('2d') };
  }
  reset({ canvas }: ReturnType<Sheets['create']>, width: number, height: number): void {
    canvas.width = width;
    canvas.height = height;
  }
  destroy({ canvas }: ReturnType<Sheets['create']>): void {
    canvas.width = 0;
    canvas.height = 0;
  }
}
