import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Builder, type WebDriver } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';
import { removeFolder } from '../../server/testing/folders.ts';

/** How long anything on a page may take before a test gives up, in ms: long enough for a machine that is busy with other things. */
export const PATIENCE = 150_000;

/** Chromium without all that a window needs: it starts and runs in less time, and is taken where Debian’s package of it is installed. */
const SHELL = '/usr/lib/chromium/chromium-headless-shell';
const SHELL_START = fileURLToPath(new URL('./headlessChromium.sh', import.meta.url));

/** A headless Chromium of its own, with a folder for what it downloads. */
export interface Browser {
  readonly driver: WebDriver;
  readonly downloads: string;
  /** A command of Chromium's own protocol, for what WebDriver has no word for. */
  devTools(command: string, parameters: object): Promise<void>;
  close(): Promise<void>;
}

export async function openBrowser(width = 1280, height = 800): Promise<Browser> {
  const profile = mkdtempSync(join(tmpdir(), 'hevrel-browser-'));
  const downloads = join(profile, 'downloads');
  const options = new Options();
  options.setChromeBinaryPath(existsSync(SHELL) ? SHELL_START : '/usr/bin/chromium');
  options.addArguments(
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-quic',
    '--no-first-run',
    '--disable-sync',
    '--disable-background-networking',
    '--disable-component-update',
    '--hide-scrollbars',
    '--force-device-scale-factor=1',
    '--force-color-profile=srgb',
    '--lang=en-GB',
    `--user-data-dir=${join(profile, 'profile')}`,
    `--window-size=${width},${height}`,
  );
  options.setUserPreferences({ 'download.default_directory': downloads, 'download.prompt_for_download': false });
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build();
  // Asked often, since each test waits for much: the package's own 200 ms between questions would be most of their time.
  const wait = driver.wait.bind(driver);
  driver.wait = (condition: never, timeout = PATIENCE, message?: string, pause = 20) =>
    wait(condition, timeout, message, pause);
  await driver.manage().setTimeouts({ script: 2 * PATIENCE });
  // The window's own frame would take some of it; this is the page.
  // The package's types do not know this command of its own driver.
  const chromium = driver as unknown as { sendDevToolsCommand(name: string, parameters: object): Promise<void> };
  const devTools = (command: string, parameters: object): Promise<void> =>
    chromium.sendDevToolsCommand(command, parameters);
  await devTools('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false,
  });
  // The shell refuses them unless it is told where to.
  await devTools('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
  return {
    driver,
    downloads,
    devTools,
    async close() {
      await driver.quit();
      removeFolder(profile);
    },
  };
}
