import { rmSync } from 'node:fs';
import type { exportTryOns } from '../../contract/index.ts';
import { cleanFileName } from '../../core/export/index.ts';
import { sceneSize, sourceKey, sourcesOf } from '../../core/tryon/index.ts';
import { readSource } from '../exports/exportSource.ts';
import type { FileWork } from '../exports/fileWork.ts';
import { Problem } from '../problem.ts';
import type { JobContext } from '../store/jobs.ts';
import { readTryOn } from '../store/tryOns.ts';
import type { Studio } from '../studio.ts';
import { makeZip } from '../zip/makeZip.ts';
import { readProduct } from './findProduct.ts';
import type { TaskPattern, TryOnOutcome, TryOnTask } from './tryOnTask.ts';

type Wish = Pick<TryOnTask, 'format' | 'side'>;
type Painting = Omit<TryOnTask, 'file'>;

/** What is needed to paint a try-on, but for where it goes. @throws Problem 404 */
export async function tryOnTask(studio: Studio, id: string, wish: Wish): Promise<Painting> {
  const { tryOn } = await readTryOn(studio.database, id);
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
  return { kind: 'try-on', tryOn, product, drawing, patterns, ...wish, blobs: studio.blobs.folder };
}

interface PlannedPicture {
  readonly task: Painting;
  readonly fileName: string;
}

/** Bytes that a pixel takes on the disk, at the most. */
const BYTES_PER_PIXEL = 4;
const ENDINGS = { png: 'png', jpeg: 'jpg', webp: 'webp' } as const;

/** Pictures of try-ons: one file, or several in one ZIP. */
export const tryOnWork: FileWork<typeof exportTryOns, readonly PlannedPicture[]> = {
  kind: 'try-on',
  async plan(studio, { tryOns, format, side }) {
    const planned: PlannedPicture[] = [];
    for (const id of tryOns) {
      const task = await tryOnTask(studio, id, { format, side });
      planned.push({ task, fileName: `${cleanFileName(task.tryOn.name, 'Try-on')}.${ENDINGS[format]}` });
    }
    const sizes = planned.map(({ task }) => sceneSize(task.product, side));
    const pixels = sizes.reduce((sum, { width, height }) => sum + width * height, 0);
    await studio.space.require(2 * BYTES_PER_PIXEL * pixels);
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
