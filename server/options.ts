import { parseArgs } from 'node:util';
import { StartError } from './store/startError.ts';

export interface Options {
  readonly port: number;
  readonly host: string;
  readonly data: string;
  /** Start without the sample collection. */
  readonly empty: boolean;
  /** Names that it answers to besides its own. */
  readonly allowHost?: readonly string[];
}

const DEFAULT_PORT = 4173;

/** Reads the command line. @throws StartError with a sentence */
export function readOptions(args: readonly string[]): Options {
  let values;
  try {
    ({ values } = parseArgs({
      args: [...args],
      options: {
        port: { type: 'string', default: String(DEFAULT_PORT) },
        host: { type: 'string', default: '127.0.0.1' },
        data: { type: 'string', default: './data' },
        empty: { type: 'boolean', default: false },
        'allow-host': { type: 'string', multiple: true, default: [] },
      },
    }));
  } catch (error) {
    throw new StartError(
      `${error instanceof Error ? error.message.split('. ')[0] : String(error)}. The options are --port N, --host NAME, --data DIR, --empty and --allow-host NAME.`,
    );
  }
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new StartError(`--port takes a number from 0 to 65535, not “${values.port}”.`);
  return { port, host: values.host, data: values.data, empty: values.empty, allowHost: values['allow-host'] };
}
