// `npm run soak`: what takes long by nature. Kills, power cuts, full disks, many clients and old folders, each held against what was
// acknowledged; `npm run soak -- properties` runs every property of the core a thousand times, `-- bodies` sends generated bodies to every
// route for five minutes, `-- growth` looks what is left behind by what is done twenty thousand times, `-- pictures` imports
// photographs of 48 and 98 megapixels, and `-- impatient` walks the ways of working with a server that answers late and in changed order.
import { ensureBrowser } from './browser.mjs';
import { ensureBuilt, ensurePackages, run, binary } from './ready.mjs';
import { scratchFolder } from './scratch.mjs';

/** Where the tests of a name lie; of all others among the faults. */
const PLACES = {
  properties: ['core'],
  impatient: ['e2e/ways'],
  bodies: ['server/bodies'],
  pictures: ['server/motifs/largePictures'],
};

ensurePackages({ forTests: true });
const [first, ...rest] = process.argv.slice(2);
const isImpatient = first === 'impatient';
const what =
  first === undefined
    ? ['server/faults', ...PLACES.bodies]
    : [...(PLACES[first] ?? [`server/faults/${first}`]), ...rest];
const project = isImpatient ? 'browser' : 'unit';
if (isImpatient) {
  ensureBrowser();
  ensureBuilt();
}
run(process.execPath, [binary('vitest'), 'run', '--project', project, '--testTimeout=3600000', ...what], {
  HEVREL_SOAK: '1',
  ...(isImpatient && { HEVREL_LATE: '1' }),
  TMPDIR: scratchFolder(),
});
