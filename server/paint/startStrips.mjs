import { startPart } from '../../scripts/startPart.mjs';

await startPart('paint/startStrips', 'server/paint/stripsWorker.ts');
