// What every command needs before it can begin: packages that match the lock file, and a built interface where it is served.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Runs a command and shows what it prints; a failure ends this process with its code. */
export function run(command, args, env = {}) {
  try {
    execFileSync(command, args, {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, ...env },
      shell: command === 'npm.cmd',
    });
  } catch (error) {
    process.exit(error.status || 1);
  }
}

/** Runs a program of an installed package. */
export function runPackage(name, args, env) {
  run(process.execPath, [binary(name), ...args], env);
}

/** The path of an installed package's program. */
export function binary(name) {
  const folder = join(root, 'node_modules', name);
  const { bin } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
  return join(folder, typeof bin === 'string' ? bin : (bin[name] ?? bin.tsc));
}

function fingerprint(paths) {
  const hash = createHash('sha256');
  const add = (path) => {
    if (!existsSync(join(root, path))) return;
    hash.update(path).update(readFileSync(join(root, path)));
  };
  for (const path of paths) {
    if (/\.\w+$/.test(path)) add(path);
    else
      for (const name of readdirSync(join(root, path), { recursive: true }).sort())
        if (/\.(tsx?|css|html|json|woff2|svg)$/.test(name) && !name.includes('.test.')) add(join(path, name));
  }
  return hash.digest('hex');
}

/** Whether something was done for just these files. */
function isDone(stamp, sources) {
  const path = join(root, stamp);
  return existsSync(path) && readFileSync(path, 'utf8') === fingerprint(sources);
}

/** Does `make` unless it was done for just these files. */
function unlessDone(stamp, sources, make) {
  const path = join(root, stamp);
  if (isDone(stamp, sources)) return;
  make();
  mkdirSync(dirname(path), { recursive: true });
  // Anew, since installing may complete the lock file.
  writeFileSync(path, fingerprint(sources));
}

/**
 * Installs the packages where they are missing or older than the lock file.
 *
 * @param forTests whether those that only tests, checks and measurements need are among them
 */
export function ensurePackages({ forTests }) {
  const sources = ['package.json', 'package-lock.json'];
  const [all, some] = ['node_modules/.hevrel', 'node_modules/.hevrel-served'];
  if (!forTests && isDone(all, sources)) return;
  unlessDone(forTests ? all : some, sources, () => {
    console.log('Installing packages …');
    // What was installed before is not what there will be.
    for (const stamp of [all, some]) rmSync(join(root, stamp), { force: true });
    // Not `ci`: it refuses a lock file that lacks the binaries of other systems, which not every registry serves.
    run(npm, ['install', ...(forTests ? [] : ['--omit=dev']), '--no-audit', '--no-fund', '--loglevel=error']);
  });
}

/** Builds the interface and the server where they are missing or older than their sources. */
export function ensureBuilt() {
  unlessDone(
    'dist/web/.hevrel',
    ['web', 'core', 'contract', 'vite.config.ts', 'package.json', 'package-lock.json'],
    () => {
      console.log('Building the interface …');
      runPackage('vite', ['build', '--logLevel', 'warn']);
    },
  );
  unlessDone(
    'dist/server/.hevrel',
    ['server', 'core', 'contract', 'demo', 'scripts/bundle.mjs', 'package.json', 'package-lock.json'],
    () => run(process.execPath, ['scripts/bundle.mjs']),
  );
}
