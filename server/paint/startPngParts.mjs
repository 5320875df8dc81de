import { startPart } from '../../scripts/startPart.mjs';

await startPart('paint/startPngParts', 'server/paint/pngPartsWorker.ts');
