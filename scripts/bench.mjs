// `npm run bench`: measurements, as ratios within one run. Machines are shared, so nothing here is a test.
import { ensureBrowser } from './browser.mjs';
import { join } from 'node:path';
import { ensureBuilt, ensurePackages, root, runPackage } from './ready.mjs';

ensurePackages({ forTests: true });
ensureBrowser();
ensureBuilt();
// Threads begin as they do for users, from the bundle.
process.env.HEVREL_BUILT = join(root, 'dist/server');
const wished = process.argv.slice(2);
// `npm run bench -- files` measures files, try-ons and the swatch book alone; `large` among them the largest too.
if (!wished.includes('files')) runPackage('tsx', ['bench/run.ts']);
runPackage('tsx', ['bench/files.ts', ...wished]);
