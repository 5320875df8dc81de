// `npm test`: installs what is missing, then lint, formatting, structure, dead exports, types, unit and browser tests, and a line that counts them.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { binary, ensureBuilt, ensurePackages, root, run, runPackage } from './ready.mjs';
import { ensureBrowser } from './browser.mjs';

ensurePackages();
ensureBrowser();
runPackage('eslint', ['.', '--max-warnings', '0']);
runPackage('prettier', ['--check', '--log-level', 'warn', '.']);
runPackage('dependency-cruiser', [
  '--config',
  '.dependency-cruiser.cjs',
  '--output-type',
  'err',
  'core',
  'contract',
  'server',
  'web',
]);
runPackage('knip', ['--no-progress']);
run(process.execPath, ['scripts/types.mjs']);
ensureBuilt();

const folder = mkdtempSync(join(tmpdir(), 'hevrel-test-'));
const report = join(folder, 'report.json');
const { status } = spawnSync(
  process.execPath,
  [
    binary('vitest'),
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
    ...process.argv.slice(2),
  ],
  { cwd: root, stdio: 'inherit' },
);
if (!existsSync(report)) process.exit(status || 1);
const { numPassedTests, numFailedTests, numPendingTests } = JSON.parse(readFileSync(report, 'utf8'));
rmSync(folder, { recursive: true });
console.log(`${numPassedTests} passed, ${numFailedTests} failed, ${numPendingTests} skipped`);
process.exit(status ?? 1);
