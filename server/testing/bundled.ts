import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const BUNDLE = fileURLToPath(new URL('../../scripts/bundle.mjs', import.meta.url));

/** Names the process that has built it. */
const BUNDLED_BY = 'HEVREL_BUNDLED_BY';
const BUILT = fileURLToPath(new URL('../../dist/server', import.meta.url));

/**
 * Vitest's global setup: builds the server from the sources as they are now. Tests start it as a process of its own, and their own servers
 * start those of their parts that run by themselves from it, which takes half the time.
 */
export default function setup(): void {
  // Another project of the same run has done it.
  const run = String(process.pid);
  if (process.env[BUNDLED_BY] === run) return;
  execFileSync(process.execPath, [BUNDLE], { stdio: 'inherit' });
  process.env['HEVREL_BUILT'] = BUILT;
  process.env[BUNDLED_BY] = run;
}
