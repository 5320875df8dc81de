import { fileURLToPath } from 'node:url';
import { build } from 'vite';
import type { WebDriver } from 'selenium-webdriver';

/**
 * Bundles a module of the project and runs its `run(argument)` in the page.
 *
 * @param file relative to the project
 * @returns what `run` resolves to, as JSON
 */
export async function runInPage<T>(driver: WebDriver, file: string, argument: unknown): Promise<T> {
  const root = fileURLToPath(new URL('../..', import.meta.url));
  const built = await build({
    root,
    configFile: false,
    logLevel: 'error',
    build: {
      write: false,
      minify: false,
      target: 'es2022',
      lib: { entry: `${root}/${file}`, formats: ['iife'], name: 'inPage' },
    },
    worker: { format: 'iife' },
  });
  const [output] = Array.isArray(built) ? built : [built];
  const code = output && 'output' in output ? output.output[0].code : '';
  const result: { value?: T; error?: string } = await driver.executeAsyncScript(
    `const done = arguments[arguments.length - 1];
     new Function(arguments[0] + '; window.inPage = inPage;')();
     window.inPage.run(arguments[1]).then((value) => done({ value }), (error) => done({ error: String(error && error.stack || error) }));`,
    code,
    argument,
  );
  if (result.error !== undefined) throw new Error(result.error);
  return result.value as T;
}
