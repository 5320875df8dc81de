import { nanoid } from 'nanoid';
import { NO_STEPS } from '../../core/recipe/index.ts';
import { notFound, Problem } from '../problem.ts';
import { DENSITIES, type Job } from '../../contract/index.ts';
import type { JobContext } from '../store/jobs.ts';
import { insertScan } from '../store/scans.ts';
import type { Studio } from '../studio.ts';
import { ORIGINALS } from './originals.ts';

/** How far a creased sheet gets. */
const JAMS_AT = 0.4;

/** A simulated scanner with a sheet feeder, which can jam. */
export class Scanner {
  /** The original that is stuck. */
  #stuck: string | undefined;
  /** Originals that were smoothed after they had jammed. */
  readonly #smoothed = new Set<string>();

  constructor(readonly studio: Studio) {}

  get state(): { originals: readonly { id: string; name: string }[]; densities: readonly number[]; jammed: boolean } {
    return {
      originals: ORIGINALS.map(({ id, name }) => ({ id, name })),
      densities: DENSITIES,
      jammed: this.#stuck !== undefined,
    };
  }

  /** Begins to scan; the job's result names the scan. @throws Problem */
  scan(id: string, dpi: number): Promise<Job> {
    const original = ORIGINALS.find((original) => original.id === id);
    if (!original) throw notFound('sheet by the scanner');
    if (this.#stuck !== undefined)
      throw new Problem(409, 'Jammed', 'A sheet is stuck in the scanner. Nothing was scanned; clear the jam first.');
    return this.studio.jobs.start('scan', async (context) => {
      if (original.creased && !this.#smoothed.has(id)) {
        await this.#crawl(context);
        this.#stuck = id;
        throw new Problem(
          409,
          'Jammed',
          `“${original.name}” is creased and jammed in the feeder. Nothing was scanned; clear the jam, and it goes through.`,
        );
      }
      const picture = await this.studio.pool.run(
        { kind: 'scan', original: id, dpi, blobs: this.studio.blobs.folder },
        context,
      );
      const sheet = { id: nanoid(12), name: `${original.name}, ${dpi} dpi`, steps: NO_STEPS, ...picture };
      await insertScan(this.studio.database, sheet);
      return { scan: sheet.id };
    });
  }

  /** Takes the stuck sheet out and smooths it. */
  clear(): void {
    if (this.#stuck !== undefined) this.#smoothed.add(this.#stuck);
    this.#stuck = undefined;
  }

  async #crawl(context: JobContext): Promise<void> {
    for (let share = 0; share <= JAMS_AT; share += JAMS_AT / 8) {
      context.progress(share);
      await new Promise((resolve) => setTimeout(resolve, 60));
      context.signal.throwIfAborted();
    }
  }
}
