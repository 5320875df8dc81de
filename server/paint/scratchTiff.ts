import { open } from 'node:fs/promises';
import type { PictureFacts, Sink } from './sink.ts';

const ROWS_PER_STRIP = 64;
/** Types of fields, and how many bytes one of each takes. */
const [SHORT, LONG] = [3, 4];

/**
 * Opens an uncompressed TIFF (revision 6.0) for writing: what is painted goes straight to the disk, and an encoder reads
 * it from there a strip at a time.
 */
export async function scratchTiff(
  file: string,
  { width, height, channels }: Pick<PictureFacts, 'width' | 'height' | 'channels'>,
): Promise<Sink> {
  const handle = await open(file, 'w');
  const head = Buffer.alloc(8);
  head.write('II*\0', 'latin1');
  const bytes = width * height * channels;
  const directoryAt = head.length + bytes + (bytes % 2);
  head.writeUInt32LE(directoryAt, 4);
  await handle.write(head);
  return {
    async write(rows) {
      await handle.write(rows);
    },
    async end() {
      await handle.write(directory({ width, height, channels }, head.length, directoryAt), 0, undefined, directoryAt);
      await handle.close();
    },
    abandon: () => handle.close(),
  };
}

function directory(
  { width, height, channels }: Pick<PictureFacts, 'width' | 'height' | 'channels'>,
  dataAt: number,
  at: number,
): Buffer {
  const rowBytes = width * channels;
  const strips = Array.from({ length: Math.ceil(height / ROWS_PER_STRIP) }, (_, n) => ({
    offset: dataAt + n * ROWS_PER_STRIP * rowBytes,
    bytes: Math.min(ROWS_PER_STRIP, height - n * ROWS_PER_STRIP) * rowBytes,
  }));
  const fields: (readonly [tag: number, type: number, values: readonly number[]])[] = [
    [256, LONG, [width]],
    [257, LONG, [height]],
    [258, SHORT, Array<number>(channels).fill(8)],
    [259, SHORT, [1]],
    [262, SHORT, [2]],
    [273, LONG, strips.map(({ offset }) => offset)],
    [277, SHORT, [channels]],
    [278, LONG, [ROWS_PER_STRIP]],
    [279, LONG, strips.map(({ bytes }) => bytes)],
    [284, SHORT, [1]],
  ];
  // Alpha that is not multiplied into the colours.
  if (channels === 4) fields.push([338, SHORT, [2]]);
  const list = Buffer.alloc(2 + fields.length * 12 + 4);
  list.writeUInt16LE(fields.length);
  const long: Buffer[] = [];
  let longAt = at + list.length;
  for (const [n, [tag, type, values]] of fields.entries()) {
    const size = type === SHORT ? 2 : 4;
    const packed = Buffer.alloc(Math.max(4, values.length * size));
    for (const [i, value] of values.entries())
      if (type === SHORT) packed.writeUInt16LE(value, i * size);
      else packed.writeUInt32LE(value, i * size);
    const entry = 2 + n * 12;
    list.writeUInt16LE(tag, entry);
    list.writeUInt16LE(type, entry + 2);
    list.writeUInt32LE(values.length, entry + 4);
    if (packed.length <= 4) packed.copy(list, entry + 8);
    else {
      list.writeUInt32LE(longAt, entry + 8);
      long.push(packed);
      longAt += packed.length;
    }
  }
  return Buffer.concat([list, ...long]);
}
