import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { serve, type Serving } from '../../server/serve.ts';
import type { StudioParts } from '../../server/studio.ts';
import { emptyFolder } from '../../server/testing/emptyFolder.ts';
import { copyFolder, removeFolder } from '../../server/testing/folders.ts';
import { startLateServer } from './lateServer.ts';

const WEB = fileURLToPath(new URL('../../dist/web', import.meta.url));

/** Names the folder with the samples laid out, where there is one to begin with. */
export const LAID_OUT = 'HEVREL_SAMPLES';

const LATE_SEED = 7;

/** A Hevrel on a folder of its own. */
export interface Hevrel {
  readonly url: string;
  readonly serving: Serving;
  close(): Promise<void>;
}

export interface HevrelWish extends StudioParts {
  readonly empty?: boolean;
  /** Whether its answers come late and in changed order; always so under `npm run soak -- impatient`. */
  readonly isLate?: boolean;
}

export async function startHevrel({
  empty = true,
  isLate = process.env['HEVREL_LATE'] !== undefined,
  ...parts
}: HevrelWish = {}): Promise<Hevrel> {
  const laidOut = process.env[LAID_OUT];
  const data = empty || laidOut === undefined ? emptyFolder() : copyOf(laidOut);
  const serving = await serve({ port: 0, host: '127.0.0.1', data, empty }, WEB, () => undefined, parts);
  const late = isLate ? await startLateServer(serving.url, LATE_SEED) : undefined;
  return {
    url: late?.url ?? serving.url,
    serving,
    async close() {
      await late?.close();
      await serving.close();
      removeFolder(data);
    },
  };
}

function copyOf(folder: string): string {
  const copy = mkdtempSync(join(tmpdir(), 'hevrel-data-'));
  copyFolder(folder, copy);
  return copy;
}
