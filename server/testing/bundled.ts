import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const BUNDLE = fileURLToPath(new URL('../../scripts/bundle.mjs', import.meta.url));

const BUILT = fileURLToPath(new URL('../../dist/server', import.meta.url));

/**
 * Vitest's global setup: builds the server from the sources as they are now. Tests start it as a process of its own, and their own servers
 * start those of their parts that run by themselves from it, which takes half the time.
 */
export default function setup(): void {
  execFileSync(process.execPath, [BUNDLE], { stdio: 'inherit' });
  process.env['HEVREL_BUILT'] = BUILT;
}
