// `npm test`: installs what is missing, then lint, formatting, structure, dead exports, types, unit and browser tests, and a line that counts them.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { binary, ensureBuilt, ensurePackages, root } from './ready.mjs';
import { PROJECTS } from './projects.mjs';
import { ensureBrowser } from './browser.mjs';
import { scratchFolder } from './scratch.mjs';

const STRUCTURE = ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'core', 'contract', 'server', 'web'];

/** The longest first, so that none is left over at the end. */
const CHECKS = [
  ['oxlint', ['--max-warnings', '0']],
  ...PROJECTS.map((project) => ['typescript-native', ['-p', project, '--checkers', '1']]),
  ['prettier', ['--check', '--log-level', 'warn', '.']],
  ['dependency-cruiser', STRUCTURE],
  ['knip', ['--no-progress']],
  ['scripts/notice.mjs', ['--check']],
];

/** Runs a check, then shows what it printed. @returns whether it passed */
function check([name, args]) {
  return new Promise((resolve) => {
    const program = name.endsWith('.mjs') ? join(root, name) : binary(name);
    const child = spawn(process.execPath, [program, ...args], { cwd: root });
    const printed = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => printed.push(data));
    child.on('close', (code) => {
      console.log(`${code === 0 ? '✓' : '✗'} ${name} ${args.join(' ')}`);
      if (code !== 0) process.stdout.write(Buffer.concat(printed));
      resolve(code === 0);
    });
  });
}

/** Runs all checks, as many at a time as there are processors. @returns whether all passed */
async function checkAll() {
  const left = [...CHECKS];
  const lane = async () => {
    let passed = true;
    for (let next = left.shift(); next; next = left.shift()) passed = (await check(next)) && passed;
    return passed;
  };
  return (await Promise.all(Array.from({ length: availableParallelism() }, lane))).every(Boolean);
}

ensurePackages({ forTests: true });
ensureBrowser();
if (!(await checkAll())) process.exit(1);
ensureBuilt();

const folder = scratchFolder();
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
  { cwd: root, stdio: 'inherit', env: { ...process.env, TMPDIR: folder } },
);
if (!existsSync(report)) process.exit(status || 1);
const { numPassedTests, numFailedTests, numPendingTests } = JSON.parse(readFileSync(report, 'utf8'));
console.log(`${numPassedTests} passed, ${numFailedTests} failed, ${numPendingTests} skipped`);
process.exit(status ?? 1);
