import { paintFile } from '../paint/paintFile.ts';
import { existsSync, statSync } from 'node:fs';
import { Router } from 'express';
import { string } from 'yup';
import * as contract from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { RASTER_FORMATS } from '../../core/export/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import type { Proof } from '../paint/proveFile.ts';
import { fileNameOf } from '../fileName.ts';
import { implement } from '../http/implement.ts';
import { exportPixels, exportTask } from '../paint/exportTask.ts';
import { notFound, Problem } from '../problem.ts';
import { motifsById } from '../store/motifs.ts';
import { readSwatch } from '../store/swatches.ts';
import { exportFile, type Studio } from '../studio.ts';

/** Of a file that cannot be made smaller by its encoder; but for a PNG, what was painted lies beside it meanwhile. */
const BYTES_PER_PIXEL = { png: 4, tiff: 8, jpeg: 8, webp: 8 } as const;

type Wish = Pick<contract.JsonBodyOf<typeof contract.startExport>, 'design' | 'swatch' | 'version'>;

interface Source {
  readonly name: string;
  readonly design: Design;
  readonly motifs: readonly Motif[];
}

/** Tiles as files: painted by a job, fetched once it is done. */
export function exportRoutes(studio: Studio): Router {
  const { database, jobs, pool, blobs } = studio;
  const router = Router();

  const sourceOf = async ({ design: id, swatch, version: number }: Wish): Promise<Source> => {
    if (swatch !== undefined) {
      const { swatch: named, version } = await readSwatch(database, swatch, number);
      return { name: named.name, design: version.design, motifs: version.motifs };
    }
    const { design } = await studio.designs.read(id ?? '');
    const motifs = await motifsById(
      database,
      design.placements.map(({ motif }) => motif),
    );
    return { name: design.name, design, motifs };
  };

  implement(router, contract.startExport, async ({ body }) => {
    const { name, design, motifs } = await sourceOf(body);
    const painting = { design, motifs, title: name, order: body.order, blobs: blobs.folder, prove: true };
    // Refused before it becomes a job, so that the answer is immediate.
    const pixels = exportPixels(exportTask({ ...painting, file: '' }));
    await studio.space.require(BYTES_PER_PIXEL[body.order.format] * pixels);
    return jobs.start('export', async (context, id) => {
      const file = exportFile(studio, id);
      const { kind, proof, ...outcome } = await paintFile(pool, exportTask({ ...painting, file }), context);
      return {
        href: contract.pathOf(contract.readExport, { id }),
        fileName: `${fileNameOf(name, 'Repeat')} ${outcome.width}x${outcome.height}.${RASTER_FORMATS[body.order.format].extension}`,
        bytes: statSync(file).size,
        palette: kind === 'palette',
        proof: proof as Proof,
        ...outcome,
      } satisfies contract.ResultOf<typeof contract.startExport>;
    });
  });

  implement(router, contract.readExport, async ({ params, response }) => {
    const job = await jobs.read(params.id);
    if (job.kind !== 'export' || job.state !== 'done') throw notFound('export');
    const file = exportFile(studio, job.id);
    if (!existsSync(file))
      throw new Problem(
        410,
        'No longer there',
        'This file was made before Hevrel was last started and is no longer kept. Export it again.',
      );
    response.download(
      file,
      string()
        .required()
        .validateSync(Reflect.get(job.result ?? {}, 'fileName')),
    );
  });

  return router;
}
