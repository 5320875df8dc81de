// `npm run soak`: what takes long by nature. Kills, power cuts, full disks, many clients and old folders, each held against what was
// acknowledged; `npm run soak -- properties` runs every property of the core a thousand times.
import { ensurePackages, run, binary } from './ready.mjs';

const PROPERTIES = 'properties';

ensurePackages({ forTests: true });
const [first, ...rest] = process.argv.slice(2);
const what =
  first === PROPERTIES ? ['core', ...rest] : ['server/faults', ...(first === undefined ? [] : [first, ...rest])];
run(process.execPath, [binary('vitest'), 'run', '--project', 'unit', '--testTimeout=3600000', ...what], {
  HEVREL_SOAK: '1',
});
