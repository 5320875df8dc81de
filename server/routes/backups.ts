import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { writeBackup } from '../backup/archive.ts';
import { checkOf } from '../backup/checkOf.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { notFound, Problem } from '../problem.ts';
import { insertBackup, listBackups } from '../store/backups.ts';
import type { Studio } from '../studio.ts';

/** Backups that are asked for, and the check of all that is kept. */
export function backupRoutes(studio: Studio): Router {
  const { database, jobs } = studio;
  const router = apiRouter();
  const fileOf = (job: string): string => join(studio.exports, `${job}.tar.gz`);

  implement(router, contract.listBackups, () => listBackups(database));

  implement(router, contract.startBackup, () =>
    jobs.start('backup', async (context, id) => {
      const { madeAt, bytes } = await writeBackup(studio, fileOf(id), context);
      await insertBackup(database, { madeAt, bytes, kind: 'asked' });
      return {
        href: contract.pathOf(contract.readBackup, { id }),
        fileName: `hevrel-${madeAt.slice(0, 16).replace(/[T:]/g, '-')}.tar.gz`,
        bytes,
      } satisfies contract.ResultOf<typeof contract.startBackup>;
    }),
  );

  implement(router, contract.readBackup, async ({ params, response }) => {
    const job = await jobs.read(params.id);
    if (job.kind !== 'backup' || job.state !== 'done') throw notFound('backup');
    if (!existsSync(fileOf(job.id)))
      throw new Problem(410, 'No longer there', 'This backup is no longer kept here. Make another one.');
    response.download(fileOf(job.id), String(Reflect.get(job.result ?? {}, 'fileName')));
  });

  implement(router, contract.startCheck, () =>
    jobs.start('check', async (context) => {
      const outcome = await checkOf(studio, context);
      return { ...outcome, unnamed: outcome.unnamed.length };
    }),
  );

  return router;
}
