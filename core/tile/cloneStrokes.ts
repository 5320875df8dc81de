import type { Point } from '../geometry/index.ts';
import type { CloneStroke } from '../recipe/index.ts';
import { copyPixels, type PixelImage } from '../scan/index.ts';
import { type PixelCell, pixelAt } from './pixelCell.ts';

/** The share of the brush's radius over which it fades out. */
const SOFT = 0.5;

/**
 * The cell with places painted over by what lies elsewhere on the cloth. Both the brush and what it takes follow the lattice, so that a stroke over an edge
 * comes in at the other side.
 */
export function withClones(pixels: PixelImage, cell: PixelCell, strokes: readonly CloneStroke[]): PixelImage {
  if (strokes.length === 0) return pixels;
  const painted = copyPixels(pixels);
  const count = cell.width * cell.height;
  const cover = { shares: new Float32Array(count), from: new Int32Array(count) };
  for (const stroke of strokes) paintClone(painted, cell, stroke, cover);
  return painted;
}

/** How much of each pixel a stroke covers, and which it takes for it. */
interface Cover {
  readonly shares: Float32Array;
  readonly from: Int32Array;
}

function paintClone(
  { data }: PixelImage,
  cell: PixelCell,
  { path, radius, dx, dy }: CloneStroke,
  { shares, from }: Cover,
): void {
  shares.fill(0);
  const size = Math.max(0.5, radius * cell.width);
  const [ox, oy] = [Math.round(dx * cell.width), Math.round(dy * cell.height)];
  const line = path.map(({ x, y }) => ({ x: x * cell.width, y: y * cell.height }));
  line.forEach((to, n) => {
    const before = line[Math.max(0, n - 1)] as Point;
    const [left, right] = [Math.min(before.x, to.x) - size, Math.max(before.x, to.x) + size];
    const [top, bottom] = [Math.min(before.y, to.y) - size, Math.max(before.y, to.y) + size];
    for (let y = Math.floor(top); y <= bottom; y += 1)
      for (let x = Math.floor(left); x <= right; x += 1) {
        const far = distanceTo({ x: x + 0.5, y: y + 0.5 }, before, to);
        const share = Math.min(1, (size - far) / (SOFT * size));
        if (share <= 0) continue;
        // Where a stroke crosses itself, through whatever instance, it covers once.
        const at = pixelAt(cell, x, y);
        if (share <= (shares[at] as number)) continue;
        shares[at] = share;
        from[at] = pixelAt(cell, x + ox, y + oy);
      }
  });
  // What is taken is what was there before the stroke, of which it may paint over a part.
  const was = data.slice();
  for (let at = 0; at < shares.length; at += 1) {
    const share = shares[at] as number;
    if (share === 0) continue;
    const other = from[at] as number;
    for (let c = 0; c < 4; c += 1)
      data[4 * at + c] = (was[4 * at + c] as number) * (1 - share) + (was[4 * other + c] as number) * share;
  }
}

/** How far a point is from a line between two others. */
function distanceTo({ x, y }: Point, from: Point, to: Point): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const long = dx * dx + dy * dy;
  const share = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - from.x) * dx + (y - from.y) * dy) / long));
  return Math.hypot(x - from.x - share * dx, y - from.y - share * dy);
}
