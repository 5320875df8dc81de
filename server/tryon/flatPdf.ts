import { PDFDocument, PDFName, type PDFRef } from 'pdf-lib';
import { type Box, growBox, type Matrix } from '../../core/geometry/index.ts';
import type { ClipShape } from '../../core/motif/index.ts';
import { type CutSheet, cutSheets, type CutWish, MOST_CUT_SHEETS } from '../../core/sheet/index.ts';
import { type FlatPiece, patternIn } from '../../core/tryon/index.ts';
import { type PdfWords, pdfWords } from '../sheets/pdfWords.ts';
import { sayColours } from '../vector/clothPdf.ts';
import { drawCloth, type PdfCloth } from '../vector/drawCloth.ts';
import { PdfContent, pdfNumber, POINTS_PER_MM } from '../vector/pdfContent.ts';
import { PdfPaints } from '../vector/pdfPaint.ts';

/** What is printed, and under which name. */
export interface FlatPdfRequest {
  readonly pieces: readonly FlatPiece[];
  /** What a piece is made of; it stays white without. */
  readonly clothOf: (piece: FlatPiece) => PdfCloth | undefined;
  readonly title: string;
  readonly sheet: CutWish;
}

export interface FlatPdf {
  readonly content: Uint8Array;
  /** The paper, mm. */
  readonly width: number;
  readonly height: number;
  readonly sheets: number;
}

/** Below this a margin has no room for words, mm; and how high these are. */
const [LEAST_MARGIN, WORDS] = [5, 2.4];
/** The line along an outline that is cut out, mm. */
const CUT_LINE = 0.15;

/**
 * The pieces of a product on sheets of paper, each piece at its true size along its own cloth, with lines to cut at.
 *
 * @throws RangeError with a sentence where the paper has no room for them, or too many instances are seen
 */
export async function flatPdf({ pieces, clothOf, title, sheet: wish }: FlatPdfRequest): Promise<FlatPdf> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Hevrel');
  const words = await pdfWords(pdf);
  const laid = pieces.map((piece) => ({ piece, sheets: cutSheets(sizeOf(piece.bounds), wish) }));
  const count = laid.reduce((sum, { sheets }) => sum + sheets.length, 0);
  if (count > MOST_CUT_SHEETS)
    throw new RangeError(
      `It would take ${count} sheets, and a file holds ${MOST_CUT_SHEETS}. Choose larger paper or smaller margins.`,
    );
  let page = { width: 0, height: 0 };
  for (const { piece, sheets } of laid) {
    const form = await pieceForm(pdf, piece, clothOf(piece), wish);
    for (const sheet of sheets) {
      addSheet(pdf, sheet, piece, form);
      if (wish.margin >= LEAST_MARGIN) label(words, sheet, [title, piece.piece.name], sheets.length, wish.margin);
      page = sheet;
    }
  }
  await sayColours(pdf);
  return { content: await pdf.save(), width: page.width, height: page.height, sheets: count };
}

const sizeOf = ({ left, top, right, bottom }: Box): { readonly width: number; readonly height: number } => ({
  width: right - left,
  height: bottom - top,
});

/** A piece with its pattern as far as it is printed, in mm of its cloth. */
async function pieceForm(
  pdf: PDFDocument,
  piece: FlatPiece,
  cloth: PdfCloth | undefined,
  { bleed, marks }: CutWish,
): Promise<PDFRef> {
  const { context } = pdf;
  const paints = new PdfPaints(context, new Map());
  const printed = growBox(piece.bounds, bleed);
  const content = new PdfContent(context);
  if (cloth) {
    const pattern = new PdfContent(context);
    pattern.transform(piece.ontoCloth);
    await drawCloth(pattern, cloth, patternIn(piece, printed), paints);
    content.add('q', `/${content.nameOf('ExtGState', paints.mask(maskOf(paints, piece.outline, printed, bleed)))} gs`);
    content.add(`/${content.nameOf('XObject', pattern.asForm(printed, 'group'))} Do`, 'Q');
  }
  // The lines at the corners say where to cut a rectangle.
  if (marks && !isBox(piece)) {
    content.add('0.5 G', `${pdfNumber(CUT_LINE)} w`);
    for (const { path, matrix } of piece.outline) {
      content.path(path, matrix);
      content.add('S');
    }
  }
  return content.asForm(growBox(printed, CUT_LINE), 'plain');
}

/** What is printed of a piece, white on black: its outline, and as much around it as it bleeds. */
function maskOf(paints: PdfPaints, outline: readonly ClipShape[], printed: Box, bleed: number): PDFRef {
  const content = new PdfContent(paints.context);
  content.add('1 1 1 rg', '1 1 1 RG', `${pdfNumber(2 * bleed)} w 1 j`);
  for (const { path, rule, matrix } of outline) {
    content.path(path, matrix);
    const fill = rule === 'evenodd' ? 'f*' : 'f';
    content.add(bleed === 0 ? fill : rule === 'evenodd' ? 'B*' : 'B');
  }
  return content.asForm(printed, 'group');
}

function addSheet(pdf: PDFDocument, { width, height, parts, marks }: CutSheet, piece: FlatPiece, form: PDFRef): void {
  const { context } = pdf;
  const content = new PdfContent(context);
  // From mm of the sheet, downwards, to points from its lower edge.
  content.add('q');
  content.transform([POINTS_PER_MM, 0, 0, -POINTS_PER_MM, 0, height * POINTS_PER_MM]);
  const name = content.nameOf('XObject', form);
  for (const { printed, x, y } of parts) {
    const placed: Matrix = [1, 0, 0, 1, x, y];
    content.add('q');
    content.transform(placed);
    content.box(printed);
    content.add('W n');
    content.transform([1, 0, 0, 1, -piece.bounds.left, -piece.bounds.top]);
    content.add(`/${name} Do`, 'Q');
  }
  content.add('0 0 0 rg');
  for (const mark of marks) {
    content.box(mark);
    content.add('f');
  }
  content.add('Q');
  const page = pdf.addPage([width * POINTS_PER_MM, height * POINTS_PER_MM]);
  page.node.set(PDFName.of('Contents'), context.register(context.flateStream(content.text)));
  page.node.set(PDFName.of('Resources'), content.resources());
  page.node.set(PDFName.of('Group'), context.obj({ S: 'Transparency', CS: 'DeviceRGB', I: true }));
}

/** Says in the lower margin what a sheet is part of. */
function label(
  words: PdfWords,
  { width, height, row, column }: CutSheet,
  names: readonly [title: string, piece: string],
  sheets: number,
  margin: number,
): void {
  const place = sheets === 1 ? [] : [`row ${row}, column ${column}`];
  words.write([...new Set([...names, ...place])].join(' · '), margin, height - 1.6, {
    size: WORDS,
    bold: false,
    most: width - 2 * margin,
  });
}

/** Whether an outline is an upright rectangle. */
function isBox({ outline, bounds }: FlatPiece): boolean {
  const [only, second] = outline;
  if (!only || second || /[CQ]/.test(only.path)) return false;
  const [a, b, c, d, e, f] = only.matrix;
  const numbers = (only.path.match(/-?[\d.]+(?:e[-+]?\d+)?/gi) ?? []).map(Number);
  for (let n = 0; n + 1 < numbers.length; n += 2) {
    const [x, y] = [numbers[n] as number, numbers[n + 1] as number];
    const [px, py] = [a * x + c * y + e, b * x + d * y + f];
    const near = (at: number, one: number, other: number): boolean =>
      Math.min(Math.abs(at - one), Math.abs(at - other)) < 0.05;
    if (!near(px, bounds.left, bounds.right) || !near(py, bounds.top, bounds.bottom)) return false;
  }
  return true;
}
