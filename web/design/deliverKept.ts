import { ApiProblem } from '../api/client.ts';
import { createDesign, saveCommands } from '../api/designs.ts';
import { forgetEdits, keptEditsOf, type KeptEdits } from './editShelf.ts';

/** What became of edits that an earlier window had left in the browser. */
export interface Delivered {
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
 * is left to it. What the server cannot take on its version any more becomes a design of its own.
 *
 * @throws Unreachable, and the edits stay kept
 */
export async function deliverKept(design: string): Promise<Delivered> {
  let saved = 0;
  const parted: string[] = [];
  for (const edits of await keptEditsOf(design)) {
    await navigator.locks.request(lockOf(edits.key), { ifAvailable: true }, async (lock) => {
      if (!lock) return;
      const outcome = await deliver(edits);
      if (outcome.parted === undefined) saved += outcome.saved;
      else parted.push(outcome.parted);
      await forgetEdits(edits.key);
    });
  }
  return { saved, parted };
}

async function deliver({ design, revision, batches, document }: KeptEdits): Promise<{ saved: number; parted?: string }> {
  try {
    let at = revision;
    let saved = 0;
    for (const { save, commands } of batches) {
      if (commands.length === 0) continue;
      at = (await saveCommands(design, save, at, commands)).revision;
      saved += commands.length;
    }
    return { saved };
  } catch (error) {
    if (!(error instanceof ApiProblem) || error.status >= 500) throw error;
    const name = `${document.name.slice(0, 100)}, kept edits`;
    await createDesign(name, { document });
    return { saved: 0, parted: name };
  }
}
