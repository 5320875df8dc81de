import type { JobContext } from '../store/jobs.ts';
import type { Pool } from '../work/pool.ts';
import { removeUnfinished } from './unfinished.ts';
import type { PaintOutcome, PaintTask } from './paintTasks.ts';

/** Has a file painted; where that fails or is stopped, nothing of it is left. */
export async function paintFile(pool: Pool, task: PaintTask, context?: JobContext): Promise<PaintOutcome> {
  try {
    return await pool.run(task, context);
  } catch (error) {
    removeUnfinished(task.file);
    throw error;
  }
}
