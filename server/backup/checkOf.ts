import { mkdtemp } from 'node:fs/promises';
import { join } from 'node:path';
import type { JobContext } from '../store/jobs.ts';
import { removeTree } from '../store/trees.ts';
import type { Studio } from '../studio.ts';
import type { CheckOutcome } from '../work/tasks.ts';

/** Checks a studio that is open: a copy of its database, so that it goes on being used, and its files. */
export async function checkOf(
  { database, folder, pool }: Pick<Studio, 'database' | 'folder' | 'pool'>,
  context?: JobContext,
): Promise<CheckOutcome> {
  const draft = await mkdtemp(join(folder.path, 'check-draft-'));
  try {
    const copy = join(draft, 'database');
    await database.copyTo(copy);
    return await pool.run({ kind: 'check-studio', database: copy, blobs: folder.blobs }, context);
  } finally {
    await removeTree(draft);
  }
}
