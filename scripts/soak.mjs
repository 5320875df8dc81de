// `npm run soak`: what takes long by nature. Kills, power cuts, full disks, many clients and old folders, each held against what was
// acknowledged; `npm run soak -- properties` runs every property of the core a thousand times, `-- bodies` sends generated bodies to every
// route for five minutes, `-- growth` looks what is left behind by what is done twenty thousand times, and `-- pictures` imports
// photographs of 48 and 98 megapixels.
import { ensurePackages, run, binary } from './ready.mjs';
import { scratchFolder } from './scratch.mjs';

/** Where the tests of a name lie; of all others among the faults. */
const PLACES = { properties: ['core'], bodies: ['server/bodies'], pictures: ['server/motifs/largePictures'] };

ensurePackages({ forTests: true });
const [first, ...rest] = process.argv.slice(2);
const what =
  first === undefined
    ? ['server/faults', ...PLACES.bodies]
    : [...(PLACES[first] ?? [`server/faults/${first}`]), ...rest];
run(process.execPath, [binary('vitest'), 'run', '--project', 'unit', '--testTimeout=3600000', ...what], {
  HEVREL_SOAK: '1',
  TMPDIR: scratchFolder(),
});
