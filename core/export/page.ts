import { type PageSize, PAGE_SIZES } from '../units/index.ts';
import { type AnyOrder, isVectorOrder } from './anyOrder.ts';
import type { ExportOrder } from './exportOrder.ts';
import { type Extent, LONGEST_CLOTH_MM } from './extent.ts';

/** A sheet, a screen or a length of cloth that the pattern fills. */
export interface Page {
  /** As printed, mm. */
  readonly width: number;
  readonly height: number;
  /** Width in pixels, of a screen. */
  readonly pixels?: number;
  /** How much larger the pattern is on it than it is drawn. */
  readonly scale: number;
}

/** Dots per inch of a page that takes the place of a screen. */
const PAGE_DPI = 300;
/** Millimetres that count as none: what is typed in inches comes back with a small error. */
const ALIKE_MM = 1e-6;

const alike = (a: number, b: number): boolean => Math.abs(a - b) < ALIKE_MM;

/** The page that an order of a length describes; undefined for other extents, and where only the pixels are known. */
export function pageOf(order: AnyOrder): Page | undefined {
  const { extent } = order;
  if (extent.kind !== 'length') return undefined;
  const printed = isVectorOrder(order) ? { width: order.width ?? extent.width } : printedWidth(order, extent);
  if (printed === undefined) return undefined;
  const scale = printed.width / extent.width;
  return { ...printed, height: extent.height * scale, scale };
}

/** The width that a picture of a length is made for. */
function printedWidth(
  { size }: ExportOrder,
  extent: Extract<Extent, { kind: 'length' }>,
): Pick<Page, 'width' | 'pixels'> | undefined {
  switch (size.kind) {
    case 'density':
      return { width: extent.width };
    case 'print':
      return { width: size.width };
    case 'pixels': {
      const { width: pixels } = size;
      const screen = PAGE_SIZES.flatMap((page) => [page, turned(page)]).find(
        (page) => page.pixels === pixels && alike(page.height, (extent.height * page.width) / extent.width),
      );
      return screen && { width: screen.width, pixels };
    }
    case 'texture':
      return undefined;
  }
}

/** A page on its side. */
export function turned<P extends Omit<Page, 'scale'>>(page: P): P {
  const { width, height, pixels } = page;
  return {
    ...page,
    width: height,
    height: width,
    ...(pixels !== undefined && { pixels: Math.round((pixels * height) / width) }),
  };
}

/** The name of a page, either way up. */
export function pageName({ width, height, pixels }: Omit<Page, 'scale'>): string | undefined {
  return PAGE_SIZES.find((known) =>
    [known, turned(known)].some(
      (page) => page.pixels === pixels && alike(page.width, width) && alike(page.height, height),
    ),
  )?.name;
}

/** The scales at which a page shows a pattern, as shares: what lies on it is a length of cloth of the sizes that are allowed. */
export function pageScales({
  width,
  height,
}: Pick<PageSize, 'width' | 'height'>): readonly [least: number, most: number] {
  return [Math.max(width, height) / LONGEST_CLOTH_MM, Math.min(width, height)];
}

/** What rounding took a little beyond the sizes that are allowed. */
const allowed = (mm: number): number => Math.min(LONGEST_CLOTH_MM, Math.max(1, mm));

/** An order that fills a page. Its density stays; where it was a screen's, it becomes that of print. */
export function fillPage(order: AnyOrder, { width, height, pixels, scale }: Page): AnyOrder {
  const extent = { kind: 'length', width: allowed(width / scale), height: allowed(height / scale) } as const;
  if (isVectorOrder(order)) {
    const { width: _, ...rest } = order;
    return { ...rest, extent, ...(scale !== 1 && { width }) };
  }
  if (pixels !== undefined) return { ...order, extent, size: { kind: 'pixels', width: pixels } };
  const dpi = 'dpi' in order.size ? order.size.dpi : PAGE_DPI;
  return { ...order, extent, size: scale === 1 ? { kind: 'density', dpi } : { kind: 'print', width, dpi } };
}
