// `npm run bench`: measurements, as ratios within one run. Machines are shared, so nothing here is a test.
import { ensureBrowser } from './browser.mjs';
import { ensureBuilt, ensurePackages, runPackage } from './ready.mjs';

ensurePackages();
ensureBrowser();
ensureBuilt();
runPackage('tsx', ['bench/run.ts']);
