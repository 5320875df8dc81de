import { constants, deflateRawSync } from 'node:zlib';
import { adler32, joinedAdler32 } from './adler32.ts';
import { subtractBytes } from './subtractBytes.ts';

/** Some rows of a PNG as they go into its stream. */
export interface PngPart {
  /** Deflated up to a byte's end, but not ended. */
  readonly data: Uint8Array;
  /** Of what was deflated: Adler's checksum of it alone, and its bytes. */
  readonly sum: number;
  readonly length: number;
}

/** Each row is told as its difference from the one above: flat colours, edges that go down and gradients all become small. */
const UP = 2;

/** Bytes that are filtered and deflated at a time: what a part takes of memory is then its rows and little more. */
const AT_A_TIME = 1 << 21;

/** Filters and deflates rows by themselves. @param above the row before them; zeros before the first */
export function pngPart(rows: Uint8Array, above: Uint8Array): PngPart {
  const rowBytes = above.length;
  const step = Math.max(1, Math.floor(AT_A_TIME / rowBytes)) * rowBytes;
  const deflated: Buffer[] = [];
  let [sum, length] = [1, 0];
  for (let from = 0; from < rows.length; from += step) {
    const lines = filtered(rows.subarray(from, from + step), from === 0 ? above : rows.subarray(from - rowBytes, from));
    deflated.push(deflateRawSync(lines, { finishFlush: constants.Z_SYNC_FLUSH }));
    sum = joinedAdler32(sum, adler32(lines), lines.length);
    length += lines.length;
  }
  return { data: Buffer.concat(deflated), sum, length };
}

/** Rows with the type of their filter before each. */
function filtered(rows: Uint8Array, above: Uint8Array): Uint8Array {
  const rowBytes = above.length;
  const count = rows.length / rowBytes;
  // Each row's upper neighbour where the row itself stands, so that all rows are one subtraction.
  const upper = new Uint8Array(rows.length);
  upper.set(above);
  upper.set(rows.subarray(0, rows.length - rowBytes), rowBytes);
  const difference = subtractBytes(rows, upper);
  const out = new Uint8Array(rows.length + count);
  for (let y = 0; y < count; y += 1) {
    const at = y * (rowBytes + 1);
    out[at] = UP;
    out.set(difference.subarray(y * rowBytes, (y + 1) * rowBytes), at + 1);
  }
  return out;
}
