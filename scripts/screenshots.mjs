// `npm run screenshots`: retakes docs/screenshots from the demo data; with names after `--` those alone.
import { ensureBrowser } from './browser.mjs';
import { ensureBuilt, ensurePackages, runPackage } from './ready.mjs';

ensurePackages({ forTests: true });
ensureBrowser();
ensureBuilt();
runPackage('tsx', ['e2e/takeScreenshots.ts', ...process.argv.slice(2)]);
