import type { Metadata } from 'sharp';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { Problem } from '../problem.ts';
import type { Blobs } from '../store/blobs.ts';
import { densityOf, headerOf, lossless, TooLargePicture, tooLargePicture } from './lossless.ts';
import type { Reading } from './reading.ts';

/** Reads a picture of pixels. @throws Problem */
export async function readPicture(name: string, content: Buffer, blobs: Blobs): Promise<Reading> {
  let metadata: Metadata;
  let picture: Awaited<ReturnType<typeof lossless>>;
  try {
    metadata = await headerOf(content);
    picture = await lossless(content);
  } catch (error) {
    throw error instanceof TooLargePicture ? tooLargePicture(name, error) : broken(name);
  }
  const { png, width, height } = picture;
  const view = { x: 0, y: 0, width, height };
  const dpi = densityOf(metadata);
  const frames = metadata.pages ?? 1;
  return {
    artwork: { version: 1, view, nodes: [{ kind: 'picture', blob: blobs.keep(png, 'png'), ...view }] },
    widthMm: dpi !== undefined ? (width * MM_PER_INCH) / dpi : undefined,
    notes: frames > 1 ? [`Of its ${frames} pictures the first was taken.`] : [],
    fonts: [],
  };
}

function broken(name: string): Problem {
  return new Problem(
    422,
    'Cannot be read',
    `“${name}” is damaged or cut short and cannot be read. Nothing was added; save it again and import it again.`,
  );
}
