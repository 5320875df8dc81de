import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';

const START = fileURLToPath(new URL('../../scripts/serve.mjs', import.meta.url));

/** How a process ended, and all it said. */
interface Ended {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** Hevrel as a process of its own. */
export interface Running {
  readonly child: ChildProcess;
  /** Known once it has said where it is. */
  readonly url: Promise<string>;
  readonly ended: Promise<Ended>;
}

/** Starts Hevrel with the options of its command line. */
export function startProcess(...options: string[]): Running {
  const child = spawn(process.execPath, [START, ...options], { stdio: ['ignore', 'pipe', 'pipe'] });
  let out = '';
  let err = '';
  child.stderr?.on('data', (data: Buffer) => (err += data.toString()));
  const ended = new Promise<Ended>((resolve) => child.on('exit', (code) => resolve({ code, out, err })));
  const url = new Promise<string>((resolve, reject) => {
    child.stdout?.on('data', (data: Buffer) => {
      out += data.toString();
      const found = /Hevrel is at (\S+)/.exec(out)?.[1];
      if (found) resolve(found);
    });
    void ended.then(({ err: why }) => reject(new Error(why || 'it ended')));
  });
  url.catch(() => undefined);
  return { child, url, ended };
}
