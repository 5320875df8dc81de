import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const BUNDLE = fileURLToPath(new URL('../../scripts/bundle.mjs', import.meta.url));

/** Vitest's global setup: builds the server that tests start as a process of its own, from the sources as they are now. */
export default function setup(): void {
  execFileSync(process.execPath, [BUNDLE], { stdio: 'inherit' });
}
