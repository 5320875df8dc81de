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

/** mm. */
const LENGTH = 4;
const GAP = 1;
const LINE = 0.25;

const toPixels = (mm: number, density: number): number => Math.max(1, Math.round((mm * density) / MM_PER_INCH));

/** Room for trim marks beyond the bleed, pixels. */
export function marksMargin(density: number): number {
  return toPixels(GAP, density) + toPixels(LENGTH, density);
}

/** The eight lines that show where to cut, whole pixels of the plane: two at each corner, outside the bleed. */
export function trimMarks({ trim, painted, page, density }: PageBoxes): Box[] {
  const line = toPixels(LINE, density);
  const gap = toPixels(GAP, density);
  const before = Math.floor(line / 2);
  const across = [
    { left: page.left, right: painted.left - gap },
    { left: painted.right + gap, right: page.right },
  ];
  const down = [
    { top: page.top, bottom: painted.top - gap },
    { top: painted.bottom + gap, bottom: page.bottom },
  ];
  return [
    ...[trim.top, trim.bottom].flatMap((y) =>
      across.map((side) => ({ ...side, top: y - before, bottom: y - before + line })),
    ),
    ...[trim.left, trim.right].flatMap((x) =>
      down.map((side) => ({ ...side, left: x - before, right: x - before + line })),
    ),
  ];
}
