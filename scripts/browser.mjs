import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { run } from './ready.mjs';

const NEEDED = ['/usr/bin/chromium', '/usr/bin/chromedriver'];
/** Does for the tests what Chromium does, in less time; they do without it. */
const SHELL = '/usr/lib/chromium/chromium-headless-shell';

/** Sees to Debian's Chromium and its driver, or says what to install. */
export function ensureBrowser() {
  const isThere = NEEDED.every((path) => existsSync(path));
  if (isThere && existsSync(SHELL)) return;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    if (isThere) return;
    console.error(
      'The browser tests need Chromium and its driver. Install the Debian packages chromium and chromium-driver, then run this again.',
    );
    process.exit(1);
  }
  console.log('Installing Chromium and its driver …');
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  const packages = ['chromium', 'chromium-driver', 'chromium-headless-shell'];
  // Where its packages cannot be fetched, what is there will do.
  const attempt = isThere ? tryRun : run;
  attempt('apt-get', ['update', '-qq'], quiet);
  attempt('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], quiet);
}

function tryRun(command, args, env) {
  const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  if (status !== 0) console.log(`${command} did not succeed; the tests use Chromium itself.`);
}
