import { readFile } from 'node:fs/promises';
import { IDENTITY } from '../../core/geometry/index.ts';
import { type Artwork, artworkBounds, viewOfBox } from '../../core/motif/index.ts';
import { Problem } from '../problem.ts';
import { Blobs, type BlobKind } from '../store/blobs.ts';
import type { ReadOutcome, ReadTask, StudioFont } from '../work/tasks.ts';
import { naturalUnit } from './naturalSize.ts';
import { keptDrawing } from './keptDrawing.ts';
import { readPicture } from './readPicture.ts';
import { readVectors } from './readVectors.ts';
import { sniff } from './sniff.ts';
import { trimmed } from './trim.ts';

/** Reads an uploaded file, trims it to what is drawn, and keeps file, artwork and a small picture. @throws Problem */
export async function readMotif({ name, file, fonts, blobs }: ReadTask): Promise<ReadOutcome> {
  return motifOfFile(name, await readFile(file), fonts, new Blobs(blobs));
}

/** As `readMotif`, of a file's content. @throws Problem */
export async function motifOfFile(
  name: string,
  bytes: Buffer,
  fonts: readonly StudioFont[],
  blobs: Blobs,
): Promise<ReadOutcome> {
  const kind = sniff(bytes);
  if (!kind) {
    throw new Problem(
      415,
      'Not a picture',
      `“${name}” is not an SVG, PNG, JPEG, WebP, GIF, TIFF or AVIF file, whatever its name says. Nothing was added; export it as one of these and import it again.`,
    );
  }
  const reading =
    kind === 'svg' || kind === 'svgz'
      ? await readVectors(name, bytes, blobs, fonts)
      : await readPicture(name, bytes, blobs);
  const onPage = await trimmed(reading.artwork, blobs);
  const artwork = onPage ?? (await offPage(reading.artwork, blobs));
  if (!artwork)
    throw new Problem(422, 'Nothing to see', `“${name}” holds nothing that can be seen. Nothing was added.`);
  const unit = reading.widthMm === undefined ? naturalUnit(artwork.view) : reading.widthMm / reading.artwork.view.width;
  return {
    ...(await keptDrawing(artwork, blobs, unit)),
    source: blobs.keep(bytes, kind satisfies BlobKind),
    notes: onPage ? reading.notes : [...reading.notes, 'It lies off its page, and was taken as it is drawn.'],
    fonts: reading.fonts,
  };
}

/** What is drawn beside the page, where nothing is drawn on it. */
function offPage(artwork: Artwork, blobs: Blobs): Promise<Artwork | undefined> {
  const bounds = artworkBounds(artwork.nodes, IDENTITY);
  return bounds ? trimmed({ ...artwork, view: viewOfBox(bounds) }, blobs) : Promise.resolve(undefined);
}
