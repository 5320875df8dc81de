import type { startPlates } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { cleanFileName } from '../../core/export/index.ts';
import { pixelGrid } from '../../core/lattice/index.ts';
import { depthRefusal } from '../../core/paint/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { readSource } from '../exports/exportSource.ts';
import type { FileWork } from '../exports/fileWork.ts';
import { removeUnfinished } from '../paint/unfinished.ts';
import { Problem } from '../problem.ts';
import type { PlatesTask } from './platesTask.ts';

/** Pixels of all plates of a design together, at the most: three are held of each while they are made. */
const MOST_PIXELS = 2.5e8;

/** Designs and swatches as plates for screen and block printing. */
export const plateWork: FileWork<typeof startPlates, Omit<PlatesTask, 'file'>> = {
  kind: 'plates',
  async plan(studio, { order, ...source }) {
    const { name: title, design, motifs } = await readSource(studio, source);
    const pixels = platePixels(design, order.dpi);
    refuse(design, pixels, depthRefusal(design, motifs));
    await studio.space.require(pixels);
    return { kind: 'plates', design, motifs, blobs: studio.blobs.folder, order, title };
  },
  async make({ pool }, task, file, context) {
    try {
      const { width, height, inks, facts } = await pool.run({ ...task, file }, context);
      const { coverage, total, overLimit, gaps, overprints } = facts;
      return {
        fileName: `${cleanFileName(task.title, 'Design')} plates.${task.order.format === 'pdf' ? 'pdf' : 'zip'}`,
        width,
        height,
        plates: inks.map(({ id: ink, name, colour }, n) => ({ ink, name, colour, coverage: coverage[n] ?? 0 })),
        total,
        overLimit,
        gaps,
        overprints,
      };
    } catch (error) {
      removeUnfinished(file);
      throw error;
    }
  },
};

function platePixels({ repeat, inks }: Design, dpi: number): number {
  const { tile } = pixelGrid(repeat, dpi / MM_PER_INCH);
  // One for the ground or for pictures beside those of the inks.
  return tile.width * tile.height * (inks.length + 1);
}

function refuse({ inks, ground, placements }: Design, pixels: number, tooDeep: string | undefined): void {
  if (tooDeep) throw new Problem(422, 'Too much to paint', `${tooDeep} Nothing was made.`);
  if (ground.kind === 'none' && placements.length === 0)
    throw new Problem(
      422,
      'Nothing to print',
      'There is nothing on this cloth, so it has no plates. Nothing was made; place a motif or choose a ground.',
    );
  if (pixels > MOST_PIXELS)
    throw new Problem(
      422,
      'Too large to separate',
      `${inks.length} plates at this density would be ${Math.round(pixels / 1e6)} megapixels together; at most ${MOST_PIXELS / 1e6} are made. Nothing was made; choose a lower density, or reduce the inks.`,
    );
}
