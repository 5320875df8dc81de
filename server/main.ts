import { fileURLToPath } from 'node:url';
import { readOptions } from './options.ts';
import { serve, type Serving } from './serve.ts';
import { StartError } from './store/dataFolder.ts';

const WEB = fileURLToPath(new URL('../dist/web', import.meta.url));

/** Starts Hevrel from the command line and stops it on SIGTERM or Ctrl-C. */
export async function main(args: readonly string[]): Promise<void> {
  let serving: Serving;
  try {
    serving = await serve(readOptions(args), WEB, (line) => console.log(line));
  } catch (error) {
    console.error(error instanceof StartError ? error.message : error);
    process.exit(1);
  }
  console.log(`Hevrel is at ${serving.url}`);
  let closing = false;
  const stop = (): void => {
    if (closing) return;
    closing = true;
    serving.close().then(
      () => process.exit(0),
      (error: unknown) => {
        console.error(error);
        process.exit(1);
      },
    );
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}
