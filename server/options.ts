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
  /** Bytes of the disk that are always left free. */
  readonly reserve?: number;
}

const DEFAULT_PORT = 4173;
const MB = 1024 * 1024;
const DEFAULT_RESERVE_MB = 64;
/** The database’s log grows by 16 MB at a time, and needs room for two to start again. */
const LEAST_RESERVE_MB = 32;
const MOST_RESERVE_MB = 1_000_000;

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
        reserve: { type: 'string', default: String(DEFAULT_RESERVE_MB) },
      },
    }));
  } catch (error) {
    throw new StartError(
      `${error instanceof Error ? error.message.split('. ')[0] : String(error)}. The options are --port N, --host NAME, --data DIR, --empty, --allow-host NAME and --reserve MB.`,
    );
  }
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new StartError(`--port takes a number from 0 to 65535, not “${values.port}”.`);
  const reserve = Number(values.reserve);
  if (!(reserve >= LEAST_RESERVE_MB && reserve <= MOST_RESERVE_MB))
    throw new StartError(
      `--reserve takes a number of megabytes from ${LEAST_RESERVE_MB} to ${MOST_RESERVE_MB}, not “${values.reserve}”.`,
    );
  return {
    port,
    host: values.host,
    data: values.data,
    empty: values.empty,
    allowHost: values['allow-host'],
    reserve: reserve * MB,
  };
}
