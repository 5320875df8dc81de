import { Resvg, type ResvgRenderOptions } from '@resvg/resvg-js';
import type { ArtworkNode, View } from '../../core/motif/index.ts';
import type { PartRequest } from '../../core/svg/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import type { Blobs } from '../store/blobs.ts';

/** What has to be painted is this sharp at its natural size, within bounds; filters take the square of it in time. */
const DPI = 400;
const LEAST_LONG_SIDE = 800;
const MOST_LONG_SIDE = 2000;
/** Pixels of all painted parts of a drawing; more become coarser. */
const MOST_PIXELS = 12e6;
/** Long side of the raster in which a part is looked for. */
const PROBE = 128;

/**
 * Paints the parts of one drawing that cannot be kept as vectors, each cut to what is seen of it.
 *
 * @param widthMm of the page, or undefined where the drawing's long side counts as `usualMm`
 */
export function partPainter(
  blobs: Blobs,
  widthMm: number | undefined,
  usualMm: number,
): (part: PartRequest) => ArtworkNode[] {
  let painted = 0;
  return ({ document, frame, magnification, page }) => {
    // The engine ends the process where something with a filter lies wholly outside the picture, so all of it is in the picture.
    const box = engineFor(document(frame)).getBBox();
    const around = box && grown(box);
    const drawn = around && extentIn(document(around), around);
    const seen = drawn && intersection(drawn, frame);
    if (!seen) return [];
    const whole = union(drawn, box);
    const long = Math.max(page.width, page.height);
    const longMm = widthMm === undefined ? usualMm : (widthMm * long) / page.width;
    const side = Math.min(MOST_LONG_SIDE, Math.max(LEAST_LONG_SIDE, (longMm / MM_PER_INCH) * DPI));
    const wished = (side / long) * magnification;
    const area = whole.width * whole.height * wished * wished;
    const allowed = Math.max(MOST_PIXELS / 20, MOST_PIXELS - painted);
    const scale = wished * Math.min(1, Math.sqrt(allowed / area));
    painted += area;
    return [cutOut(document(whole), scale, whole, seen, blobs)];
  };
}

function engineFor(svg: string, options: ResvgRenderOptions = {}): Resvg {
  return new Resvg(svg, { font: { loadSystemFonts: false }, ...options });
}

/** As far around something as filters reach that are meant to be seen; a line has no size across. */
function grown({ x, y, width, height }: View): View {
  const by = Math.max(width, height, 1e-6);
  return { x: x - by, y: y - by, width: width + 2 * by, height: height + 2 * by };
}

function intersection(a: View, b: View): View | undefined {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  const width = Math.min(a.x + a.width, b.x + b.width) - x;
  const height = Math.min(a.y + a.height, b.y + b.height) - y;
  return width > 0 && height > 0 ? { x, y, width, height } : undefined;
}

function union(a: View, b: View): View {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  const width = Math.max(a.x + a.width, b.x + b.width) - x;
  return { x, y, width, height: Math.max(a.y + a.height, b.y + b.height) - y };
}

/** Paints all of a part and keeps what of it is seen, in whole pixels, as a node where it belongs. */
function cutOut(svg: string, scale: number, whole: View, seen: View, blobs: Blobs): ArtworkNode {
  const across = Math.max(1, Math.ceil(whole.width * scale));
  const down = Math.max(1, Math.round((across * whole.height) / whole.width));
  const [kx, ky] = [across / whole.width, down / whole.height];
  const left = Math.max(0, Math.floor((seen.x - whole.x) * kx));
  const top = Math.max(0, Math.floor((seen.y - whole.y) * ky));
  const right = Math.min(across, Math.max(left + 1, Math.ceil((seen.x + seen.width - whole.x) * kx)));
  const bottom = Math.min(down, Math.max(top + 1, Math.ceil((seen.y + seen.height - whole.y) * ky)));
  const isCut = left > 0 || top > 0 || right < across || bottom < down;
  const png = engineFor(svg, {
    fitTo: { mode: 'width', value: across },
    ...(isCut && { crop: { left, top, right, bottom } }),
  })
    .render()
    .asPng();
  return {
    kind: 'picture',
    blob: blobs.keep(png, 'png'),
    x: whole.x + left / kx,
    y: whole.y + top / ky,
    width: (right - left) / kx,
    height: (bottom - top) / ky,
  };
}

/** Where in the frame anything is seen, with a little around it. */
function extentIn(svg: string, frame: View): View | undefined {
  const isUpright = frame.height > frame.width;
  const across = isUpright ? Math.ceil((PROBE * frame.width) / frame.height) : PROBE;
  const image = engineFor(svg, { fitTo: { mode: 'width', value: across } }).render();
  const { width, height, pixels } = image;
  let [left, top, right, bottom] = [width, height, -1, -1];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      if (pixels[(y * width + x) * 4 + 3] === 0) continue;
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
    }
  if (right < left) return undefined;
  const [from, to] = [
    { x: Math.max(0, left - 1) / width, y: Math.max(0, top - 1) / height },
    { x: Math.min(width, right + 2) / width, y: Math.min(height, bottom + 2) / height },
  ];
  return {
    x: frame.x + from.x * frame.width,
    y: frame.y + from.y * frame.height,
    width: (to.x - from.x) * frame.width,
    height: (to.y - from.y) * frame.height,
  };
}
