import { existsSync } from 'node:fs';
import { run } from './ready.mjs';

const NEEDED = ['/usr/bin/chromium', '/usr/bin/chromedriver'];

/** Sees to Debian's Chromium and its driver, or says what to install. */
export function ensureBrowser() {
  if (NEEDED.every((path) => existsSync(path))) return;
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    console.error(
      'The browser tests need Chromium and its driver. Install the Debian packages chromium and chromium-driver, then run this again.',
    );
    process.exit(1);
  }
  console.log('Installing Chromium and its driver …');
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], quiet);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'chromium-driver'], quiet);
}
