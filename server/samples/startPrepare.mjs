import { startPart } from '../../scripts/startPart.mjs';

await startPart('samples/startPrepare', 'server/samples/prepareWorker.ts');
