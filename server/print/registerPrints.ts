import { object } from 'yup';
import { idSchema } from '../../core/schema/index.ts';
import type { Studio } from '../studio.ts';
import { PRINT_JOB, printWork } from './printWork.ts';

const requestSchema = object({ order: idSchema });

/** Says how orders are sent: at once, and after a start those whose sending the server left in the middle. */
export function registerPrints(studio: Studio): void {
  studio.jobs.register(PRINT_JOB, (request) => printWork(studio, requestSchema.validateSync(request).order));
}
