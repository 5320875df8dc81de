import type { TaskContext } from '../work/tasks.ts';
import type { TryOnOutcome, TryOnTask } from './tryOnTask.ts';

/** Writes a try-on as it was wished for. @throws Problem where it cannot be written so */
export async function writeTryOn(task: TryOnTask, context: TaskContext): Promise<TryOnOutcome> {
  const { wish } = task;
  if (wish.format === 'svg' || wish.format === 'pdf') {
    const { writeFlat } = await import('./writeFlat.ts');
    return writeFlat({ ...task, wish });
  }
  const { paintTryOn } = await import('./paintTryOn.ts');
  return paintTryOn({ ...task, wish }, context);
}
