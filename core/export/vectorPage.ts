import { type Box, growBox } from '../geometry/index.ts';
import type { Repeat } from '../lattice/index.ts';
import { measureExtent } from './extent.ts';
import { cutLines, TRIM_MARK } from './trimMarks.ts';
import type { VectorOrder } from './vectorOrder.ts';

/** The rectangles of a page of shapes, mm of the cloth, from the trim's upper left corner. */
export interface VectorPage {
  readonly trim: Box;
  readonly painted: Box;
  readonly page: Box;
  /** Printed mm for each mm of the cloth. */
  readonly scale: number;
  /** Lines that show where to cut, as boxes. */
  readonly marks: readonly Box[];
  /** The sheet as printed, mm. */
  readonly width: number;
  readonly height: number;
  /** Why the file cannot be made, where it cannot, and what helps. */
  readonly refusal: string | undefined;
}

/** PDF 1.7 knows no longer sides: 14,400 points (ISO 32000-1, annex C). */
const LONGEST_PDF_MM = (14_400 * 25.4) / 72;

/** How an order of shapes comes out. */
export function vectorPage(repeat: Repeat, order: VectorOrder): VectorPage {
  const extent = measureExtent(order.extent, repeat);
  const scale = order.width === undefined ? 1 : order.width / extent.width;
  const trim = { left: 0, top: 0, right: extent.width, bottom: extent.height };
  const painted = growBox(trim, order.bleed / scale);
  const room = order.marks ? (TRIM_MARK.gap + TRIM_MARK.length) / scale : 0;
  const page = growBox(painted, room);
  const half = TRIM_MARK.line / 2 / scale;
  const [width, height] = [scale * (page.right - page.left), scale * (page.bottom - page.top)];
  return {
    trim,
    painted,
    page,
    scale,
    marks: order.marks ? cutLines({ trim, painted, page }, TRIM_MARK.gap / scale, { before: half, after: half }) : [],
    width,
    height,
    refusal:
      order.format === 'pdf' && Math.max(width, height) > LONGEST_PDF_MM
        ? `A page of a PDF is at most ${Math.floor(LONGEST_PDF_MM)} mm long. Choose a smaller size.`
        : undefined,
  };
}
