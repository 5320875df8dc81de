import { startPart } from '../../scripts/startPart.mjs';

await startPart('store/startDatabase', 'server/store/databaseWorker.ts');
