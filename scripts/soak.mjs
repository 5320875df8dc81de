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

/** What is measured in time. */
const ALONE = 'strangers';

ensurePackages({ forTests: true });
const [first, ...rest] = process.argv.slice(2);

/** Runs tests of a project. Ends this process where one of them fails. */
function soak(project, tests, more = {}) {
  run(process.execPath, [binary('vitest'), 'run', '--project', project, '--testTimeout=3600000', ...tests], {
    HEVREL_SOAK: '1',
    TMPDIR: scratchFolder(),
    ...more,
  });
}

if (first === 'impatient') {
  ensureBrowser();
  ensureBuilt();
  soak('browser', [...PLACES.impatient, ...rest], { HEVREL_LATE: '1' });
} else if (first !== undefined) soak('unit', [...(PLACES[first] ?? [`server/faults/${first}`]), ...rest]);
else {
  // How long others wait tells something only where nothing else keeps the machine busy.
  soak('unit', ['server/faults', ...PLACES.bodies, '--exclude', `**/${ALONE}.test.ts`]);
  soak('unit', [`server/faults/${ALONE}`]);
}
