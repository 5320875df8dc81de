import { Problem } from '../problem.ts';
import { Blobs, type BlobKind } from '../store/blobs.ts';
import type { ReadOutcome, ReadTask } from '../work/tasks.ts';
import { NATURAL_LONG_SIDE_MM } from './naturalSize.ts';
import { keptDrawing } from './keptDrawing.ts';
import { readPicture } from './readPicture.ts';
import { readVectors } from './readVectors.ts';
import { sniff } from './sniff.ts';
import { trimmed } from './trim.ts';

/** Reads an uploaded file, trims it to what is drawn, and keeps file, artwork and a small picture. @throws Problem */
export async function readMotif({ name, content, blobs: folder }: ReadTask): Promise<ReadOutcome> {
  const blobs = new Blobs(folder);
  const kind = sniff(content);
  if (!kind) {
    throw new Problem(
      415,
      'Not a picture',
      `“${name}” is no SVG, PNG, JPEG, WebP, TIFF or AVIF file, whatever its name says. Nothing was added; export it as one of these and import it again.`,
    );
  }
  const bytes = Buffer.from(content);
  const reading = kind === 'svg' ? await readVectors(name, bytes, blobs) : await readPicture(name, bytes, blobs);
  const artwork = await trimmed(reading.artwork, blobs);
  if (!artwork)
    throw new Problem(422, 'Nothing to see', `“${name}” holds nothing that can be seen. Nothing was added.`);
  const whole = reading.artwork.view;
  const unit =
    reading.widthMm === undefined
      ? NATURAL_LONG_SIDE_MM / Math.max(artwork.view.width, artwork.view.height)
      : reading.widthMm / whole.width;
  return {
    ...(await keptDrawing(artwork, blobs, unit)),
    source: blobs.keep(bytes, kind satisfies BlobKind),
    notes: reading.notes,
  };
}
