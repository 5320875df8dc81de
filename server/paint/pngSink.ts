import { type FileHandle, open } from 'node:fs/promises';
import { crc32, createDeflate, deflateSync } from 'node:zlib';
import { once } from 'node:events';
import { MM_PER_INCH } from '../../core/units/index.ts';
import type { PictureFacts, Sink } from './sink.ts';
import { srgbProfile } from './srgbProfile.ts';
import { subtractBytes } from './subtractBytes.ts';

/*
 * A PNG (W3C PNG, third edition) written while it is painted. Packages that encode PNG want all pixels at once, which
 * at 20,000 × 20,000 are 1.2 GB; here a band is deflated on another thread while the next is painted.
 */

const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
const DEFLATED_AT_A_TIME = 1 << 20;
/** Each row is told as its difference from the one above: flat colours, edges that go down and gradients all become small. */
const UP = 2;

/** Colours that a picture has, where they are few enough for a palette: four bytes each, RGBA. */
export type Palette = readonly number[];

/** Opens a PNG for writing. @param palette all colours of the picture, in which its rows are then given, one byte a pixel */
export async function pngSink(file: string, facts: PictureFacts, palette?: Palette): Promise<Sink> {
  const { width, height, channels, depth, density, title } = facts;
  const handle = await open(file, 'w');
  const rowBytes = width * (palette ? 1 : channels * (depth / 8));
  const deflate = createDeflate({ chunkSize: DEFLATED_AT_A_TIME });
  let failure: Error | undefined;
  // One after another, in the order in which they come.
  let written = begin(handle);
  const after = (work: () => Promise<void>): Promise<void> => {
    written = written.then(work);
    written.catch((error: unknown) => (failure ??= error instanceof Error ? error : new Error(String(error))));
    return written;
  };
  deflate.on('data', (data: Buffer) => void after(() => writeChunk(handle, 'IDAT', data)).catch(() => undefined));
  await written;
  const above = new Uint8Array(rowBytes);
  return {
    async write(rows) {
      if (failure) throw failure;
      const lines = filtered(rows, rowBytes, above);
      if (!deflate.write(lines)) await once(deflate, 'drain');
    },
    async end() {
      deflate.end();
      await once(deflate, 'end');
      await after(async () => {
        await writeChunk(handle, 'iTXt', text('Title', title));
        await writeChunk(handle, 'iTXt', text('Software', 'Hevrel'));
        await writeChunk(handle, 'IEND', Buffer.alloc(0));
        await handle.sync();
        await handle.close();
      });
    },
    async abandon() {
      deflate.destroy();
      await handle.close();
    },
  };

  async function begin(to: FileHandle): Promise<void> {
    await to.write(SIGNATURE);
    const head = Buffer.alloc(13);
    head.writeUInt32BE(width, 0);
    head.writeUInt32BE(height, 4);
    head[8] = palette ? 8 : depth;
    head[9] = palette ? 3 : channels === 4 ? 6 : 2;
    await writeChunk(to, 'IHDR', head);
    await writeChunk(to, 'iCCP', Buffer.concat([Buffer.from('sRGB\0\0', 'latin1'), deflateSync(await srgbProfile())]));
    if (palette) {
      const bytes = Buffer.from(palette);
      await writeChunk(to, 'PLTE', Buffer.from(bytes.filter((_, i) => i % 4 !== 3)));
      const alphas = bytes.filter((_, i) => i % 4 === 3);
      if (alphas.some((alpha) => alpha < 255)) await writeChunk(to, 'tRNS', Buffer.from(alphas));
    }
    const perMetre = Math.round((density * 1000) / MM_PER_INCH);
    const physical = Buffer.alloc(9);
    physical.writeUInt32BE(perMetre, 0);
    physical.writeUInt32BE(perMetre, 4);
    physical[8] = 1;
    await writeChunk(to, 'pHYs', physical);
  }
}

/** Adds a text to a finished PNG. */
export async function addPngText(file: string, keyword: string, value: string): Promise<void> {
  const handle = await open(file, 'r+');
  try {
    const { size } = await handle.stat();
    const end = chunk('IEND', Buffer.alloc(0));
    await handle.write(Buffer.concat([chunk('iTXt', text(keyword, value)), end]), 0, undefined, size - end.length);
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/** Rows with the type of their filter before each. @param above the last row before; becomes the last of these */
function filtered(rows: Uint8Array, rowBytes: number, above: Uint8Array): Uint8Array {
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
  above.set(rows.subarray(rows.length - rowBytes));
  return out;
}

function text(keyword: string, value: string): Buffer {
  // Neither compressed nor in a named language.
  return Buffer.concat([Buffer.from(`${keyword}\0\0\0\0\0`, 'latin1'), Buffer.from(value, 'utf8')]);
}

async function writeChunk(to: FileHandle, type: string, data: Buffer): Promise<void> {
  await to.write(chunk(type, data));
}

function chunk(type: string, data: Buffer): Buffer {
  const out = Buffer.alloc(data.length + 12);
  out.writeUInt32BE(data.length, 0);
  out.write(type, 4, 'latin1');
  data.copy(out, 8);
  out.writeUInt32BE(crc32(out.subarray(4, data.length + 8)), data.length + 8);
  return out;
}
