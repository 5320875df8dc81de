import { boolean, object, string, type InferType } from 'yup';
import { cutLines, TRIM_MARK } from '../export/index.ts';
import { type Box, growBox, intersectBoxes, shiftBox } from '../geometry/index.ts';
import { between, type Immutable } from '../schema/index.ts';
import { PAPER_NAMES, PAPERS } from '../units/index.ts';

/** Sheets in one file, at the most. */
export const MOST_CUT_SHEETS = 300;
/** Left free at the edges of a sheet, and printed beyond an outline, mm. */
export const [MOST_MARGIN, MOST_CUT_BLEED] = [50, 20];
/** Copies of a thing on a sheet each way, at the most. */
const MOST_COPIES = 30;
/** The least that a part of a thing measures, mm. */
const LEAST_PART = 20;
/** What parts of one thing are printed beyond their cuts, mm, so that a cut that is a little off shows no paper. */
const OVER = 2;

/** How things are printed on at their true size. */
export const cutWishSchema = object({
  paper: string().oneOf(PAPER_NAMES).required(),
  /** Whether it lies on its side. */
  isWide: boolean().required(),
  /** mm that are not printed at each edge, but for marks. */
  margin: between(0, MOST_MARGIN),
  /** mm that are printed beyond the outline. */
  bleed: between(0, MOST_CUT_BLEED),
  /** Lines that show where to cut. */
  marks: boolean().required(),
  /** Whether a thing that is small enough is printed as often as it fits. */
  fill: boolean().required(),
})
  .noUnknown()
  .required();
export type CutWish = Immutable<InferType<typeof cutWishSchema>>;

/** A part of a thing on a sheet. */
export interface CutPart {
  /** What is cut out, mm of the thing from its upper left corner. */
  readonly part: Box;
  /** What is printed of it: the part, and what is printed beyond its cuts. */
  readonly printed: Box;
  /** Where the thing's upper left corner lies, mm from that of the sheet. */
  readonly x: number;
  readonly y: number;
}

/** One sheet of paper, mm. */
export interface CutSheet {
  readonly width: number;
  readonly height: number;
  /** Which of the sheets of a thing it is, from 1 on; both are 1 where it holds whole things. */
  readonly row: number;
  readonly column: number;
  readonly parts: readonly CutPart[];
  /** Lines that show where to cut, mm of the sheet. */
  readonly marks: readonly Box[];
}

/**
 * Sets a thing on sheets at its true size: once, as often as it fits, or, where it is larger than a sheet, in parts that meet at their cuts.
 *
 * @param size mm, 0 excluded
 * @throws RangeError with a sentence where the margins leave no paper, or where it takes more than MOST_CUT_SHEETS
 */
export function cutSheets(size: { readonly width: number; readonly height: number }, wish: CutWish): CutSheet[] {
  const { width, height } = paperOf(wish);
  const edge = wish.margin + wish.bleed;
  const room = { width: width - 2 * edge, height: height - 2 * edge };
  if (Math.min(room.width, room.height) < LEAST_PART)
    throw new RangeError(`Margins and bleed leave less than ${LEAST_PART} mm of the paper. Type smaller ones.`);
  if (size.width <= room.width && size.height <= room.height) return [wholeSheet(size, wish)];
  const columns = Math.ceil(size.width / room.width);
  const rows = Math.ceil(size.height / room.height);
  if (rows * columns > MOST_CUT_SHEETS)
    throw new RangeError(
      `It would take ${rows * columns} sheets, and a file holds ${MOST_CUT_SHEETS}. Choose larger paper or smaller margins.`,
    );
  const over = Math.min(OVER, edge);
  return Array.from({ length: rows * columns }, (_, n) => {
    const [row, column] = [Math.floor(n / columns), n % columns];
    const [left, top] = [column * room.width, row * room.height];
    const [right, bottom] = [Math.min(left + room.width, size.width), Math.min(top + room.height, size.height)];
    const printed = {
      left: left - (column === 0 ? wish.bleed : over),
      top: top - (row === 0 ? wish.bleed : over),
      right: right + (column === columns - 1 ? wish.bleed : over),
      bottom: bottom + (row === rows - 1 ? wish.bleed : over),
    };
    const part = { left, top, right, bottom };
    return sheetOf(wish, row + 1, column + 1, [{ part, printed, x: edge - left, y: edge - top }]);
  });
}

/** A sheet of whole things, in its middle. */
function wholeSheet(size: { readonly width: number; readonly height: number }, wish: CutWish): CutSheet {
  const { width, height } = paperOf(wish);
  const gap = 2 * wish.bleed + (wish.marks ? 2 * (TRIM_MARK.gap + TRIM_MARK.length) : 0);
  const fitting = (room: number, side: number): number =>
    wish.fill
      ? Math.min(MOST_COPIES, Math.max(1, Math.floor((room - 2 * (wish.margin + wish.bleed) + gap) / (side + gap))))
      : 1;
  const [columns, rows] = [fitting(width, size.width), fitting(height, size.height)];
  const left = (width - columns * size.width - (columns - 1) * gap) / 2;
  const top = (height - rows * size.height - (rows - 1) * gap) / 2;
  const part = { left: 0, top: 0, right: size.width, bottom: size.height };
  const parts = Array.from({ length: rows * columns }, (_, n): CutPart => ({
    part,
    printed: growBox(part, wish.bleed),
    x: left + (n % columns) * (size.width + gap),
    y: top + Math.floor(n / columns) * (size.height + gap),
  }));
  return sheetOf(wish, 1, 1, parts);
}

function sheetOf(wish: CutWish, row: number, column: number, parts: readonly CutPart[]): CutSheet {
  const { width, height } = paperOf(wish);
  const paper = { left: 0, top: 0, right: width, bottom: height };
  const half = TRIM_MARK.line / 2;
  const marks = parts.flatMap(({ part, printed, x, y }) => {
    const [trim, painted] = [shiftBox(part, { x, y }), shiftBox(printed, { x, y })];
    const page = growBox(painted, TRIM_MARK.gap + TRIM_MARK.length);
    // What has no room on the paper is left out.
    return cutLines({ trim, painted, page }, TRIM_MARK.gap, { before: half, after: half }).flatMap(
      (line) => intersectBoxes(line, paper) ?? [],
    );
  });
  return { width, height, row, column, parts, marks: wish.marks ? marks : [] };
}

function paperOf({ paper, isWide }: CutWish): { readonly width: number; readonly height: number } {
  const { width, height } = PAPERS[paper];
  return isWide ? { width: height, height: width } : { width, height };
}
