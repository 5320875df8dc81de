import { setImmediate } from 'node:timers/promises';
import type { Box } from '../../core/geometry/index.ts';
import { paintingPlane, type SpriteCache } from '../../core/paint/index.ts';
import { type DeepGround, deepGround, deepRows } from './deepPixels.ts';
import { nodeSurface, type NodeSurface } from './nodeBackend.ts';
import { bytesOf, type PagePainting } from './pagePainting.ts';

/** Between two looks at what else is to be done, such as an encoder that waits, ms. */
const PATIENCE_MS = 8;
/** Rows read back at a time, so that a strip is never held twice as RGBA. */
const READ_ROWS = 64;

interface StripOptions {
  /** Called with the share that is painted, 0 to 1. */
  readonly progress?: (share: number) => void;
  /** What may be written into, if it is large enough. */
  readonly spare?: Uint8Array | undefined;
}

/**
 * Paints a window of the plane.
 *
 * @param sprites painted motifs that are kept for the windows that follow
 * @returns its pixels, tightly packed
 */
export async function paintStrip(
  painting: PagePainting,
  window: Box,
  sprites: SpriteCache | undefined,
  { progress = () => undefined, spare }: StripOptions = {},
): Promise<Uint8Array> {
  const { scene, backend, depth, plan } = painting;
  const { grid } = plan;
  const ground = depth === 16 ? deepGround(scene, grid) : undefined;
  const surface = nodeSurface(window.right - window.left, window.bottom - window.top);
  let since = performance.now();
  const options = { bare: ground !== undefined, exact: true, ...(sprites && { sprites }) };
  for (const share of paintingPlane(surface.context, { scene, grid, window }, backend, options)) {
    if (performance.now() - since < PATIENCE_MS) continue;
    progress(share);
    await setImmediate();
    since = performance.now();
  }
  const data = readBack(surface, window, painting, ground, spare);
  // Its memory goes back at once rather than when the collector comes round.
  surface.resize(1, 1);
  return data;
}

function readBack(
  { canvas }: NodeSurface,
  window: Box,
  painting: PagePainting,
  ground: DeepGround | undefined,
  spare: Uint8Array | undefined,
): Uint8Array {
  const { channels, depth } = painting;
  const rowBytes = canvas.width * bytesOf(painting);
  const context = canvas.getContext('2d');
  const length = rowBytes * canvas.height;
  const isEnough = spare !== undefined && spare.buffer.byteLength >= length;
  const out = isEnough ? new Uint8Array(spare.buffer, 0, length) : new Uint8Array(length);
  for (let y = 0; y < canvas.height; y += READ_ROWS) {
    const rows = Math.min(READ_ROWS, canvas.height - y);
    const { data } = context.getImageData(0, y, canvas.width, rows);
    const top = window.top + y;
    if (depth === 16)
      deepRows(data, { ...window, top, bottom: top + rows }, channels, ground, (at, row) =>
        out.set(row, (at - window.top) * rowBytes),
      );
    else if (channels === 4) out.set(data, y * rowBytes);
    else
      for (let i = 0, o = y * rowBytes; i < data.length; i += 4, o += 3) {
        out[o] = data[i] as number;
        out[o + 1] = data[i + 1] as number;
        out[o + 2] = data[i + 2] as number;
      }
  }
  return out;
}
