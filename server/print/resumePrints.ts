import { object } from 'yup';
import { idSchema } from '../../core/schema/index.ts';
import { interruptAbandonedPrints } from '../store/printOrders.ts';
import type { Studio } from '../studio.ts';
import { PRINT_JOB, printWork } from './printWork.ts';

const requestSchema = object({ order: idSchema });

/** Goes on with the orders whose sending the server left in the middle. @param opened when this one took over */
export async function resumePrints(studio: Studio, opened: Date): Promise<void> {
  await studio.jobs.resume(PRINT_JOB, (request) => printWork(studio, requestSchema.validateSync(request).order));
  await interruptAbandonedPrints(studio.database, opened);
}
