import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { serve, type Serving } from '../../server/serve.ts';
import type { StudioParts } from '../../server/studio.ts';
import { emptyFolder } from '../../server/testing/emptyFolder.ts';
import { copyFolder, removeFolder } from '../../server/testing/folders.ts';

const WEB = fileURLToPath(new URL('../../dist/web', import.meta.url));

/** Names the folder with the samples laid out, where there is one to begin with. */
export const LAID_OUT = 'HEVREL_SAMPLES';

/** A Hevrel on a folder of its own. */
export interface Hevrel {
  readonly url: string;
  readonly serving: Serving;
  close(): Promise<void>;
}

export async function startHevrel({ empty = true, ...parts }: StudioParts & { empty?: boolean } = {}): Promise<Hevrel> {
  const laidOut = process.env[LAID_OUT];
  const data = empty || laidOut === undefined ? emptyFolder() : copyOf(laidOut);
  const serving = await serve({ port: 0, host: '127.0.0.1', data, empty }, WEB, () => undefined, parts);
  return {
    url: serving.url,
    serving,
    async close() {
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
