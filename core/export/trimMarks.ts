import type { Box } from '../geometry/index.ts';
import { MM_PER_INCH } from '../units/index.ts';

/** The rectangles of a page, whole pixels of the plane. */
export interface PageBoxes {
  /** What is to be cut out in the end; its corner is at the origin. */
  readonly trim: Box;
  /** The trim and its bleed: what is painted. */
  readonly painted: Box;
  /** The painted part and room for marks: the file. */
  readonly page: Box;
  /** Written into the file, dots per inch. */
  readonly density: number;
}

/** What trim marks measure as printed, mm. */
export const TRIM_MARK = { length: 4, gap: 1, line: 0.25 };

const toPixels = (mm: number, density: number): number => Math.max(1, Math.round((mm * density) / MM_PER_INCH));

/** Room for trim marks beyond the bleed, pixels. */
export function marksMargin(density: number): number {
  return toPixels(TRIM_MARK.gap, density) + toPixels(TRIM_MARK.length, density);
}

/** The eight lines that show where to cut, whole pixels of the plane. */
export function trimMarks(boxes: PageBoxes): Box[] {
  const { density } = boxes;
  const line = toPixels(TRIM_MARK.line, density);
  const before = Math.floor(line / 2);
  return cutLines(boxes, toPixels(TRIM_MARK.gap, density), { before, after: line - before });
}

/**
 * The eight lines that show where to cut, two at each corner, outside the bleed.
 *
 * @param gap between bleed and line
 * @param line how far it reaches to either side of the cut
 */
export function cutLines(
  { trim, painted, page }: Omit<PageBoxes, 'density'>,
  gap: number,
  { before, after }: { readonly before: number; readonly after: number },
): Box[] {
  const across = [
    { left: page.left, right: painted.left - gap },
    { left: painted.right + gap, right: page.right },
  ];
  const down = [
    { top: page.top, bottom: painted.top - gap },
    { top: painted.bottom + gap, bottom: page.bottom },
  ];
  return [
    ...[trim.top, trim.bottom].flatMap((y) => across.map((side) => ({ ...side, top: y - before, bottom: y + after }))),
    ...[trim.left, trim.right].flatMap((x) => down.map((side) => ({ ...side, left: x - before, right: x + after }))),
  ];
}
