import { openStudio } from '../studio.ts';
import { layOutSamples } from './layOutSamples.ts';

// Runs as a process of its own: see prepareStudio.
process.on('disconnect', () => process.exit(1));
const studio = await openStudio(process.argv[2] ?? '');
await layOutSamples(studio, (line) => void process.send?.(line));
await studio.close();
process.exit(0);
