import { existsSync } from 'node:fs';
import { Router } from 'express';
import { number, object } from 'yup';
import type { Design } from '../../core/document/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { type ExportSize, LEAST_DPI, MOST_DPI } from '../../core/paint/index.ts';
import { idSchema } from '../../core/schema/index.ts';
import { fileNameOf } from '../fileName.ts';
import { exportTask } from '../paint/exportTask.ts';
import { notFound, Problem } from '../problem.ts';
import { readDesign } from '../store/designs.ts';
import { motifsById } from '../store/motifs.ts';
import { readSwatch } from '../store/swatches.ts';
import { exportFile, type Studio } from '../studio.ts';

const wish = object({
  design: idSchema.optional(),
  swatch: idSchema.optional(),
  dpi: number().min(LEAST_DPI).max(MOST_DPI).optional(),
  width: number().integer().min(1).max(100_000).optional(),
})
  .noUnknown()
  .required()
  .test(
    'one-source',
    'it has to name a design or a swatch',
    ({ design, swatch }) => (design === undefined) !== (swatch === undefined),
  )
  .test(
    'one-size',
    'it has to name a density or a width',
    ({ dpi, width }) => (dpi === undefined) !== (width === undefined),
  );

/** What a finished export's job tells. */
export interface ExportResult {
  readonly href: string;
  readonly fileName: string;
  readonly width: number;
  readonly height: number;
  readonly peakMemory: number;
}

/** Tiles as files: painted by a job, fetched once it is done. */
export function exportRoutes(studio: Studio): Router {
  const { database, jobs, pool, blobs } = studio;
  const router = Router();

  const source = async (
    design: string | undefined,
    swatch: string | undefined,
  ): Promise<{ name: string; design: Design; motifs: readonly Motif[] }> => {
    if (swatch !== undefined) return readSwatch(database, swatch);
    const { design: found } = await readDesign(database, design as string);
    return {
      name: found.name,
      design: found,
      motifs: await motifsById(
        database,
        found.placements.map(({ motif }) => motif),
      ),
    };
  };

  router.post('/', async (request, response) => {
    const { design, swatch, dpi, width } = wish.validateSync(request.body, { strict: true });
    const { name, ...drawn } = await source(design, swatch);
    const size: ExportSize = dpi === undefined ? { width: width as number } : { dpi };
    // Refused before it becomes a job, so that the answer is immediate.
    exportTask(drawn.design, drawn.motifs, size, blobs.folder, '');
    const job = await jobs.start('export', async (hands, id) => {
      const outcome = await pool.run(
        exportTask(drawn.design, drawn.motifs, size, blobs.folder, exportFile(studio, id)),
        hands,
      );
      return {
        href: `/api/exports/${id}/file`,
        fileName: `${fileNameOf(name, 'Repeat')} ${outcome.width}x${outcome.height}.png`,
        ...outcome,
      } satisfies ExportResult;
    });
    response.status(202).json(job);
  });

  router.get('/:id/file', async (request, response) => {
    const job = await jobs.read(request.params.id);
    if (job.kind !== 'export' || job.state !== 'done') throw notFound('export');
    const file = exportFile(studio, job.id);
    if (!existsSync(file))
      throw new Problem(
        410,
        'No longer there',
        'This download was made before Hevrel was last started and is no longer kept. Make it again.',
      );
    response.download(file, (job.result as ExportResult).fileName);
  });

  return router;
}
