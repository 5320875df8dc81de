import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Command, Design } from '../../core/document/index.ts';

/** Commands that go, or went, to the server under one name, so that they count once however often they are sent. */
export interface Batch {
  readonly save: string;
  readonly commands: readonly Command[];
}

/** Edits that the server has not acknowledged, as they are kept in the browser. */
export interface OutboxEntry {
  /** One for each time a design is opened. */
  readonly key: string;
  readonly design: string;
  /** The revision that the first batch is based on. */
  readonly revision: number;
  readonly batches: readonly Batch[];
  /** The design with all of them done, for when they cannot be done on the server's any more. */
  readonly document: Design;
}

interface Shelf extends DBSchema {
  edits: { key: string; value: OutboxEntry; indexes: { design: string } };
}

let opening: Promise<IDBPDatabase<Shelf>> | undefined;

function shelf(): Promise<IDBPDatabase<Shelf>> {
  opening ??= openDB<Shelf>('hevrel-edits', 1, {
    upgrade(database) {
      database.createObjectStore('edits', { keyPath: 'key' }).createIndex('design', 'design');
    },
  });
  return opening;
}

/** Keeps edits in place of those kept under the same key. */
export async function putInOutbox(edits: OutboxEntry): Promise<void> {
  await (await shelf()).put('edits', edits);
}

export async function removeFromOutbox(key: string): Promise<void> {
  await (await shelf()).delete('edits', key);
}

export async function outboxOf(design: string): Promise<OutboxEntry[]> {
  return (await shelf()).getAllFromIndex('edits', 'design', design);
}
