import { startPart } from '../../scripts/startPart.mjs';

await startPart('work/startWorker', 'server/work/worker.ts');
