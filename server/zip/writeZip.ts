import { open, rename, rm } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { partOf } from '../paint/unfinished.ts';

/**
 * Writes a ZIP, whole or not at all: it is written beside `file` and renamed, so that nobody ever downloads half of it. Where that fails
 * or is stopped, nothing is written any more once this has ended.
 *
 * @param fill adds what goes into it
 * @throws what adding or reading one of its files failed with; AbortError
 */
export async function writeZip(
  file: string,
  signal: AbortSignal,
  fill: (zip: ZipFile) => Promise<void>,
): Promise<void> {
  const part = partOf(file);
  const zip = new ZipFile();
  // The package's types know the least of what it is.
  const packed = zip.outputStream as Readable;
  // It tells of files that it cannot read apart from its stream, from when they are added.
  zip.on('error', (error: Error) => packed.destroy(error));
  packed.on('error', () => undefined);
  const handle = await open(part, 'w');
  const written = handle.createWriteStream();
  const closed = new Promise<void>((resolve) => written.once('close', resolve));
  try {
    await fill(zip);
    zip.end();
    await pipeline(packed, written, { signal });
    await closed;
    await rename(part, file);
  } finally {
    packed.destroy();
    written.destroy();
    await closed;
    await rm(part, { force: true });
  }
}
