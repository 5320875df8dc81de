import { startPart } from '../../scripts/startPart.mjs';

await startPart('tryon/startDressing', 'server/tryon/dressingWorker.ts');
