import { cleanFileName } from '../../core/export/index.ts';
import type { StoredMotif } from '../../contract/index.ts';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { picturesOf } from '../../core/motif/index.ts';
import { writeSvg } from '../../core/svg/index.ts';
import { pictureIn } from '../../core/recipe/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { paintPicture } from '../motifs/trim.ts';
import { Blobs } from '../store/blobs.ts';
import { softMaskAddress } from '../vector/softMask.ts';
import type { PackTask } from '../work/tasks.ts';
import { FORMAT, LIST_FILE, VERSION, type CollectionList, type FiledMotif } from './collectionFile.ts';

/** Pictures of the motifs are this fine, and no longer than this, pixels. */
const PICTURE_DPI = 300;
const LONGEST_PICTURE = 3000;

/** Writes motifs and all they are made of into one ZIP: a list in JSON, and each as SVG and PNG for any other program. */
export async function packCollection({ name, motifs, blobs: folder }: PackTask): Promise<Uint8Array> {
  const blobs = new Blobs(folder);
  const files: Zippable = {};
  const filed: FiledMotif[] = [];
  for (const [n, motif] of motifs.entries()) {
    const base = `${String(n + 1).padStart(3, '0')} ${cleanFileName(motif.name, 'Motif')}`;
    const artwork = await blobs.readArtwork(motif.artwork);
    const pictures = new Map(
      await Promise.all(
        picturesOf(artwork).map(
          async (blob) => [blob, `data:image/png;base64,${(await blobs.read(blob)).toString('base64')}`] as const,
        ),
      ),
    );
    const source = await sourceOf(motif, blobs, files);
    files[`svg/${base}.svg`] = strToU8(
      writeSvg(artwork, motif.width, { picture: (blob) => pictures.get(blob) ?? '', mask: softMaskAddress }),
    );
    const scale = Math.min((motif.width / MM_PER_INCH) * PICTURE_DPI, LONGEST_PICTURE) / motif.view.width;
    files[`png/${base}.png`] = [
      await paintPicture(artwork, blobs, Math.min(scale, LONGEST_PICTURE / motif.view.height)),
      { level: 0 },
    ];
    filed.push({
      id: motif.id,
      name: motif.name,
      width: motif.width,
      tags: motif.tags,
      // Moved points and masks go along as the drawing that they make.
      ...(motif.recipe?.kind === 'points' || motif.recipe?.kind === 'masked'
        ? { recipe: null, source: `svg/${base}.svg` }
        : { recipe: motif.recipe, source }),
      svg: `svg/${base}.svg`,
      png: `png/${base}.png`,
    });
  }
  const list: CollectionList = { format: FORMAT, version: VERSION, name, motifs: filed };
  return zipSync({ [LIST_FILE]: strToU8(JSON.stringify(list, undefined, 2)), ...files });
}

/** Puts the file that a motif is made from beside the list, once. */
async function sourceOf(motif: StoredMotif, blobs: Blobs, files: Zippable): Promise<string | null> {
  const address = pictureIn(motif.recipe) ?? motif.source;
  if (address.endsWith('.json') || !blobs.has(address)) return null;
  const path = `files/${address}`;
  files[path] ??= [await blobs.read(address), { level: address.endsWith('.svg') ? 6 : 0 }];
  return path;
}
