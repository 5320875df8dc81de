import { rmSync } from 'node:fs';
import type { JobContext } from '../store/jobs.ts';
import type { Pool } from '../work/pool.ts';
import type { PaintOutcome, PaintTask } from '../work/tasks.ts';

/** Has a tile painted into its file; where that fails or is stopped, nothing of it is left. */
export async function paintFile(pool: Pool, task: PaintTask, context?: JobContext): Promise<PaintOutcome> {
  try {
    return await pool.run(task, context);
  } catch (error) {
    rmSync(`${task.file}.part`, { force: true });
    throw error;
  }
}
