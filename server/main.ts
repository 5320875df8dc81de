import { fileURLToPath } from 'node:url';
import { readOptions } from './options.ts';
import { serve } from './serve.ts';
import { StartError } from './store/startError.ts';

const WEB = fileURLToPath(new URL('../dist/web', import.meta.url));
/** What is under way when Hevrel is told to stop may take this long; then it ends all the same. */
const PATIENCE_MS = 10_000;

/**
 * Starts Hevrel from the command line. It stops on SIGTERM or Ctrl-C, whatever it is doing: in order within ten seconds, at once when told
 * again. Errors that nobody caught are written to the log and stop it in order too, since nothing is known of its state then.
 */
export function main(args: readonly string[]): void {
  let code = 0;
  let isStopping = false;
  const starting = start(args);
  const stop = (): void => {
    if (isStopping) process.exit(code || 1);
    isStopping = true;
    setTimeout(() => {
      console.error('What was under way did not end in ten seconds. What was saved is safe.');
      process.exit(1);
    }, PATIENCE_MS).unref();
    starting
      .then((serving) => serving.close())
      .then(
        () => process.exit(code),
        (error: unknown) => {
          console.error(error);
          process.exit(1);
        },
      );
  };
  const fail = (error: unknown): void => {
    console.error(error);
    code = 1;
    if (!isStopping) stop();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.on('uncaughtException', fail);
  process.on('unhandledRejection', fail);
}

async function start(args: readonly string[]): ReturnType<typeof serve> {
  try {
    const serving = await serve(readOptions(args), WEB, (line) => console.log(line));
    console.log(`Hevrel is at ${serving.url}`);
    return serving;
  } catch (error) {
    console.error(error instanceof StartError ? error.message : error);
    process.exit(1);
  }
}
