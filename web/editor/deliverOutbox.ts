import { conflicts } from '../../core/document/index.ts';
import { cutText } from '../../core/schema/index.ts';
import { ApiProblem } from '../api/client.ts';
import { createDesign, leaveDesign, readSince, saveCommands } from '../api/designs.ts';
import { isPassing } from './saver.ts';
import { removeFromOutbox, outboxOf, type Batch, type OutboxEntry } from './outbox.ts';
import { TEXTS } from './texts.ts';

/** What became of edits that an earlier window had left in the browser. */
export interface DeliveryReport {
  /** Edits that the server has now. */
  readonly saved: number;
  /** Names of the designs that hold what could not be done on the server's version any more. */
  readonly parted: readonly string[];
}

/** The lock that a window holds as long as it looks after its own kept edits. */
export function lockOf(key: string): string {
  return `hevrel-edits-${key}`;
}

/**
 * Sends the edits of a design that an earlier window kept and could not send. What another window is still looking after
 * is left to it. What was changed elsewhere meanwhile and has nothing to do
 * with them goes together with them; else they become a design of their own.
 *
 * @throws Unreachable, and the edits stay kept
 */
export async function deliverOutbox(design: string): Promise<DeliveryReport> {
  let saved = 0;
  const parted: string[] = [];
  for (const edits of await outboxOf(design)) {
    await navigator.locks.request(lockOf(edits.key), { ifAvailable: true }, async (lock) => {
      if (!lock) return;
      const outcome = await deliver(edits);
      if (outcome.parted === undefined) saved += outcome.saved;
      else parted.push(outcome.parted);
      await removeFromOutbox(edits.key);
    });
  }
  return { saved, parted };
}

async function deliver(edits: OutboxEntry): Promise<{ saved: number; parted?: string }> {
  const { revision, batches, document } = edits;
  try {
    let at = revision;
    let saved = 0;
    for (const { save, commands } of batches) {
      if (commands.length === 0) continue;
      at = await deliverBatch(edits, { save, commands }, at);
      saved += commands.length;
    }
    return { saved };
  } catch (error) {
    if (!(error instanceof ApiProblem) || isPassing(error.status)) throw error;
    const name = TEXTS.nameKeptEdits(cutText(document.name, 100));
    await createDesign(name, { document });
    return { saved: 0, parted: name };
  }
}

/**
 * Sends one batch; where the design has gone on meanwhile with what has nothing to do with these edits, on top of that.
 *
 * @returns the revision that it became
 */
async function deliverBatch(
  { key, design, batches }: OutboxEntry,
  { save, commands }: Batch,
  revision: number,
): Promise<number> {
  let at = revision;
  for (;;) {
    try {
      return (await saveCommands(design, save, at, commands)).revision;
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.status !== 409) throw error;
      const since = await readSince(design, at, key, false);
      leaveDesign(design, key);
      const own = new Set(batches.map((batch) => batch.save));
      const foreign = since.saves?.filter((one) => !own.has(one.save)).flatMap((one) => one.commands);
      if (
        !foreign ||
        since.revision === at ||
        conflicts(
          foreign,
          batches.flatMap((batch) => batch.commands),
          false,
        )
      )
        throw error;
      at = since.revision;
    }
  }
}
