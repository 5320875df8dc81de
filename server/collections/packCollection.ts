import { cleanFileName } from '../../core/export/index.ts';
import type { StoredMotif } from '../../contract/index.ts';
import type { ZipFile } from 'yazl';
import { picturesOf } from '../../core/motif/index.ts';
import { writeSvg } from '../../core/svg/index.ts';
import { pictureIn } from '../../core/recipe/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { paintPicture } from '../motifs/trim.ts';
import { Blobs } from '../store/blobs.ts';
import { readArtwork } from '../store/keptArtwork.ts';
import { softMaskAddress } from '../vector/softMask.ts';
import type { PackTask } from '../work/tasks.ts';
import { writeZip } from '../zip/writeZip.ts';
import { FORMAT, LIST_FILE, VERSION, type CollectionList, type FiledMotif } from './collectionFile.ts';

/** Pictures of the motifs are this fine, and no longer than this, pixels. */
const PICTURE_DPI = 300;
const LONGEST_PICTURE = 3000;

/** Writes motifs and all they are made of into one ZIP: a list in JSON, and each as SVG and PNG for any other program. */
export async function packCollection(task: PackTask): Promise<true> {
  // Who stops it ends the process.
  await writeZip(task.file, new AbortController().signal, (zip) => fillCollection(task, zip));
  return true;
}

async function fillCollection({ name, motifs, blobs: folder }: PackTask, zip: ZipFile): Promise<void> {
  const blobs = new Blobs(folder);
  const sources = new Set<string>();
  const filed: FiledMotif[] = [];
  for (const [n, motif] of motifs.entries()) {
    const base = `${String(n + 1).padStart(3, '0')} ${cleanFileName(motif.name, 'Motif')}`;
    const artwork = await readArtwork(blobs, motif.artwork);
    const pictures = new Map(
      await Promise.all(
        picturesOf(artwork).map(
          async (blob) => [blob, `data:image/png;base64,${(await blobs.read(blob)).toString('base64')}`] as const,
        ),
      ),
    );
    const source = sourceOf(motif, blobs);
    if (source && !sources.has(source.path)) {
      zip.addFile(await blobs.soundPathOf(source.address), source.path, { compress: source.address.endsWith('.svg') });
      sources.add(source.path);
    }
    const svg = writeSvg(artwork, motif.width, { picture: (blob) => pictures.get(blob) ?? '', mask: softMaskAddress });
    zip.addBuffer(Buffer.from(svg), `svg/${base}.svg`);
    const scale = Math.min((motif.width / MM_PER_INCH) * PICTURE_DPI, LONGEST_PICTURE) / motif.view.width;
    const png = await paintPicture(artwork, blobs, Math.min(scale, LONGEST_PICTURE / motif.view.height));
    zip.addBuffer(Buffer.from(png), `png/${base}.png`, { compress: false });
    filed.push({
      id: motif.id,
      name: motif.name,
      width: motif.width,
      tags: motif.tags,
      // Moved points and masks go along as the drawing that they make.
      ...(motif.recipe?.kind === 'points' || motif.recipe?.kind === 'masked'
        ? { recipe: null, source: `svg/${base}.svg` }
        : { recipe: motif.recipe, source: source?.path ?? null }),
      svg: `svg/${base}.svg`,
      png: `png/${base}.png`,
    });
  }
  const list: CollectionList = { format: FORMAT, version: VERSION, name, motifs: filed };
  zip.addBuffer(Buffer.from(JSON.stringify(list, undefined, 2)), LIST_FILE);
}

/** The file that a motif is made from, which lies beside the list. */
function sourceOf(motif: StoredMotif, blobs: Blobs): { readonly address: string; readonly path: string } | undefined {
  const address = pictureIn(motif.recipe) ?? motif.source;
  return address.endsWith('.json') || !blobs.has(address) ? undefined : { address, path: `files/${address}` };
}
