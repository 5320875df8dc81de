import { rmSync } from 'node:fs';
import { type exportTryOns, isPicture, type JsonBodyOf } from '../../contract/index.ts';
import { cleanFileName } from '../../core/export/index.ts';
import { flatPieces, sceneSize, sourceKey, sourcesOf } from '../../core/tryon/index.ts';
import { readSource } from '../exports/exportSource.ts';
import type { FileWork } from '../exports/fileWork.ts';
import { notFound, Problem } from '../problem.ts';
import type { JobContext } from '../store/jobs.ts';
import { readTryOn } from '../store/tryOns.ts';
import type { Studio } from '../studio.ts';
import { makeZip } from '../zip/makeZip.ts';
import { readProduct } from './findProduct.ts';
import type { FlatWish, PictureWish, TaskPattern, TryOnOutcome, TryOnTask } from './tryOnTask.ts';

type Wish = PictureWish | FlatWish;
type Painting = Omit<TryOnTask, 'file'>;

/** What is needed to paint a try-on, but for where it goes. @throws Problem 404 */
export async function tryOnTask(studio: Studio, id: string, wish: Wish, colourway?: string): Promise<Painting> {
  const { tryOn: kept } = await readTryOn(studio.database, id);
  const tryOn = colourway === undefined ? kept : { ...kept, source: { ...kept.source, colourway } };
  const { product, drawing } = await readProduct(studio, tryOn.product, tryOn.wall);
  const patterns: TaskPattern[] = [];
  for (const source of sourcesOf(tryOn, product.pieces)) {
    try {
      const { design, motifs, state } = await readSource(studio, source);
      patterns.push({ key: sourceKey(source), design, motifs, state });
    } catch (error) {
      // A design or a swatch that was deleted leaves white cloth, as it does on the screen.
      if (!(error instanceof Problem && error.status === 404)) throw error;
    }
  }
  return { kind: 'try-on', tryOn, product, drawing, patterns, wish, blobs: studio.blobs.folder };
}

interface PlannedPicture {
  readonly task: Painting;
  readonly fileName: string;
}

/** Bytes that a pixel takes on the disk, at the most, and that a file of shapes does, as a rule. */
const [BYTES_PER_PIXEL, BYTES_OF_SHAPES] = [4, 2e7];
const ENDINGS = { png: 'png', jpeg: 'jpg', webp: 'webp', svg: 'svg', pdf: 'pdf' } as const;

/** Files of try-ons: one, or several in one ZIP. */
export const tryOnWork: FileWork<typeof exportTryOns, readonly PlannedPicture[]> = {
  kind: 'try-on',
  async plan(studio, { tryOns, colourways, ...asked }) {
    const wish = wishOf(asked);
    const planned: PlannedPicture[] = [];
    let room = 0;
    const each = tryOns.flatMap((id) => (colourways ?? [undefined]).map((colourway) => ({ id, colourway })));
    for (const { id, colourway } of each) {
      const task = await tryOnTask(studio, id, wish, colourway);
      if ('side' in wish) {
        const { width, height } = sceneSize(task.product, wish.side);
        room += BYTES_PER_PIXEL * width * height;
      } else {
        refuseUnlessFlat(task);
        room += BYTES_OF_SHAPES;
      }
      planned.push({ task, fileName: `${cleanFileName(nameIn(task, colourway), 'Try-on')}.${ENDINGS[wish.format]}` });
    }
    await studio.space.require(2 * room);
    return planned;
  },
  async make({ pool }, planned, file, context) {
    const paint = async (n: number, fileName: string, path: string, step: JobContext): Promise<MadePicture> => {
      const { task } = planned[n] as PlannedPicture;
      return { fileName, ...(await pool.run({ ...task, file: path }, step)) };
    };
    const [only, second] = planned;
    if (only && !second) {
      try {
        return { fileName: only.fileName, files: [await paint(0, only.fileName, file, context)] };
      } catch (error) {
        rmSync(file, { force: true });
        throw error;
      }
    }
    const names = planned.map(({ fileName }) => fileName);
    return { fileName: `${planned.length} try-ons.zip`, files: await makeZip(names, paint, file, context) };
  },
};

type MadePicture = TryOnOutcome & { readonly fileName: string };

function wishOf({ format, side, sheet }: Omit<JsonBodyOf<typeof exportTryOns>, 'tryOns' | 'colourways'>): Wish {
  if (format === 'svg') return { format };
  if (isPicture(format) && side !== undefined) return { format, side };
  if (format === 'pdf' && sheet) return { format, sheet };
  throw new RangeError(`a ${format} needs to know its size`);
}

/** The try-on's name, with that of the colourway that was asked for. @throws Problem 404 */
function nameIn({ tryOn, patterns }: Painting, colourway: string | undefined): string {
  if (colourway === undefined) return tryOn.name;
  const pattern = patterns.find(({ key }) => key === sourceKey(tryOn.source));
  const found = pattern?.design.colourways.find(({ id }) => id === colourway);
  if (!found) throw notFound('colourway');
  return `${tryOn.name}, ${found.name}`;
}

/** Told at once, before anything is made. @throws Problem 422 */
function refuseUnlessFlat({ product, drawing, tryOn }: Painting): void {
  try {
    flatPieces(product, drawing, tryOn);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Problem(422, 'Not flat', `${error.message} Nothing was made.`);
  }
}
