import { type FileHandle, open } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { crc32, deflateSync } from 'node:zlib';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { PngStream } from './pngStream.ts';
import type { PictureFacts, Sink } from './sink.ts';
import { srgbProfile } from './srgbProfile.ts';

/*
 * A PNG (W3C PNG, third edition) written while it is painted. Packages that encode PNG want all pixels at once, which
 * at 20,000 × 20,000 are 1.2 GB; here bands are deflated on other threads while the next are painted.
 */

const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
/** A smaller picture is there before threads are, pixels; and more of them would hold too many bands. */
const [WORTH_THREADS, MOST_THREADS] = [1 << 23, 2];

/** Colours that a picture has, where they are few enough for a palette: four bytes each, RGBA. */
export type Palette = readonly number[];

/**
 * Opens a PNG for writing.
 *
 * @param palette all colours of the picture, in which its rows are then given, one byte a pixel
 * @param threads bands that are deflated at a time beside what else is done
 */
export async function pngSink(
  file: string,
  facts: PictureFacts,
  palette?: Palette,
  threads = facts.width * facts.height < WORTH_THREADS ? 0 : Math.min(MOST_THREADS, availableParallelism()),
): Promise<Sink> {
  const { width, height, channels, depth, density, title } = facts;
  const handle = await open(file, 'w');
  const rowBytes = width * (palette ? 1 : channels * (depth / 8));
  await begin(handle);
  const stream = new PngStream(rowBytes, threads, (data) => writeChunk(handle, 'IDAT', data));
  return {
    write: (rows) => stream.write(rows),
    async end() {
      await stream.end();
      await writeChunk(handle, 'iTXt', text('Title', title));
      await writeChunk(handle, 'iTXt', text('Software', 'Hevrel'));
      await writeChunk(handle, 'IEND', Buffer.alloc(0));
      await handle.sync();
      await handle.close();
    },
    async abandon() {
      await stream.close();
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

function text(keyword: string, value: string): Buffer {
  // Neither compressed nor in a named language.
  return Buffer.concat([Buffer.from(`${keyword}\0\0\0\0\0`, 'latin1'), Buffer.from(value, 'utf8')]);
}

async function writeChunk(to: FileHandle, type: string, data: Uint8Array): Promise<void> {
  await to.write(chunk(type, data));
}

function chunk(type: string, data: Uint8Array): Buffer {
  const out = Buffer.alloc(data.length + 12);
  out.writeUInt32BE(data.length, 0);
  out.write(type, 4, 'latin1');
  out.set(data, 8);
  out.writeUInt32BE(crc32(out.subarray(4, data.length + 8)), data.length + 8);
  return out;
}
