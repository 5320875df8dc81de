import { fork } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * Creates the database of a new studio and lays the samples out in it, in a process of its own: creating a database and
 * painting take several hundred megabytes that a server would hold on to. Does nothing where there is a database already.
 *
 * What goes wrong here goes wrong again, with a sentence, when the server opens the studio itself.
 *
 * @param say takes a line for the terminal
 */
export function prepareStudio(data: string, say: (line: string) => void): Promise<void> {
  if (existsSync(join(resolve(data), 'database'))) return Promise.resolve();
  const child = fork(fileURLToPath(new URL('./startPrepare.mjs', import.meta.url)), [data], {
    execArgv: [],
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  child.on('message', (line) => say(String(line)));
  return new Promise((done) => {
    child.once('error', () => done());
    child.once('exit', () => done());
  });
}
