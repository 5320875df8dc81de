import { LRUCache } from 'lru-cache';
import type { DesignSummary, Since, StoredDesign } from '../../contract/index.ts';
import { apply, type Command, CommandError, type Design, faultOf } from '../../core/document/index.ts';
import type { Repeat } from '../../core/lattice/index.ts';
import { notFound, Problem } from '../problem.ts';
import type { Queries, Store } from './database.ts';
import { openKept } from './openKept.ts';
import { type SaveRow, savesAfter } from './saves.ts';
import { isSameUse, usesIn, writeUses } from './uses.ts';

/** One save: the commands since `revision`, under a name of its own so that it counts once however often it arrives. */
export interface Save {
  readonly save: string;
  readonly revision: number;
  readonly commands: readonly Command[];
}

/** Saves of a design that other windows can still take up one by one; farther behind they read it whole. */
const SAVES_KEPT = 300;
/** The document is written again after so many saves: as many are applied at most when a design is opened, in some 50 ms. */
const SAVES_APPLIED = 1000;
/** Placements of the designs that are kept at hand, in all. */
const PLACEMENTS_AT_HAND = 200_000;

interface Row {
  number: number;
  revision: number;
  updated_at: Date;
}

/** A design as of a revision, with what is known of its row. */
interface AtHand {
  readonly design: Design;
  readonly number: number;
  readonly revision: number;
  readonly updatedAt: Date;
  readonly file: DocumentFile;
}

/** The document that is written; the same object for all revisions of a design at hand. */
interface DocumentFile {
  /** The revision that it has. */
  revision: number;
  /** Characters of it, and of the commands since. */
  size: number;
  since: number;
  isBeingWritten: boolean;
}

/**
 * The designs of the studio. Saves are kept as they come, and the whole document is written again now and then: it is large, and
 * what one save changes is small. Designs that are worked on are kept at hand, so that a save need not read them.
 */
export class Designs {
  readonly #database: Store;
  readonly #atHand = new LRUCache<string, AtHand>({
    maxSize: PLACEMENTS_AT_HAND,
    sizeCalculation: ({ design }) => design.placements.length + 100,
  });

  constructor(database: Store) {
    this.#database = database;
  }

  /** Adds a design, whole. */
  async insert(design: Design, queries?: Queries): Promise<StoredDesign> {
    if (!queries) return this.#database.transaction((transaction) => this.insert(design, transaction));
    const { rows } = await queries.query<Row>(
      `INSERT INTO designs (id, document, written, checked, name, repeat, motifs) VALUES ($1, $2, 1, true, $3, $4, $5)
       RETURNING number, revision, updated_at`,
      [design.id, JSON.stringify(design), design.name, JSON.stringify(design.repeat), design.placements.length],
    );
    const { number, revision, updated_at: updatedAt } = rows[0] as Row;
    await writeUses(queries, number, new Map(), usesIn(design));
    return { design, revision, updatedAt: updatedAt.toISOString() };
  }

  /** Those in use, the one changed last first. */
  async list(): Promise<DesignSummary[]> {
    const { rows } = await this.#database.query<
      Omit<DesignSummary, 'updatedAt' | 'repeat'> & { repeat: Repeat; updatedAt: Date }
    >(
      `SELECT id, name, repeat, revision, updated_at AS "updatedAt", motifs
       FROM designs WHERE deleted_at IS NULL ORDER BY updated_at DESC, id`,
    );
    return rows.map((row) => ({ ...row, updatedAt: row.updatedAt.toISOString() }));
  }

  /** @throws Problem 404; DesignError where it cannot be opened */
  async read(id: string): Promise<StoredDesign> {
    const { design, revision, updatedAt } = await this.#current(id);
    return { design, revision, updatedAt: updatedAt.toISOString() };
  }

  /** A design, be it deleted: it can be restored, and what shows it may ask for it in the moment of its deletion. @throws Problem 404 */
  async readAnyway(id: string): Promise<StoredDesign> {
    const { design, revision, updatedAt } = this.#atHand.get(id) ?? (await this.#written(id, true));
    return { design, revision, updatedAt: updatedAt.toISOString() };
  }

  /** A design, or undefined where it is not there or was deleted. */
  async find(id: string): Promise<StoredDesign | undefined> {
    try {
      return await this.read(id);
    } catch (error) {
      if (error instanceof Problem && error.status === 404) return undefined;
      throw error;
    }
  }

  /** Whether an id is taken, be it by a deleted design. */
  async has(id: string): Promise<boolean> {
    const { rows } = await this.#database.query('SELECT id FROM designs WHERE id = $1', [id]);
    return rows.length > 0;
  }

  /**
   * Applies a save.
   *
   * @returns the new revision
   * @throws Problem 409 where the design has moved on since `revision`; CommandError where a command does not fit. Nothing is changed then
   */
  async save(id: string, { save, revision, commands }: Save): Promise<number> {
    let before = await this.#current(id);
    if (before.revision < revision) {
      // Whoever asks has seen a save that is written, but whose end has not been noted here yet.
      this.#atHand.delete(id);
      before = await this.#current(id);
    }
    if (before.revision !== revision) return this.#savedBefore(before, save, revision);
    const design = commands.reduce(apply, before.design);
    const fault = faultOf(design);
    if (fault) throw new CommandError(fault);
    const written = JSON.stringify(commands);
    const updatedAt = await this.#write(before, design, save, written);
    if (!updatedAt) {
      // Another save came first.
      this.#atHand.delete(id);
      return this.#savedBefore(await this.#current(id), save, revision);
    }
    const { file } = before;
    const after = { ...before, design, revision: revision + 1, updatedAt };
    this.#atHand.set(id, after);
    file.since += written.length;
    if (after.revision - file.revision >= SAVES_APPLIED || file.since > file.size) void this.#rewrite(after);
    return after.revision;
  }

  /** The revision of a design. @throws Problem 404 */
  async revision(id: string): Promise<number> {
    return (await this.#row(id)).revision;
  }

  /** What was saved since a revision, oldest first; null where that is not kept any more. */
  async since(id: string, revision: number): Promise<Omit<Since, 'others'>> {
    const { number, revision: now } = await this.#row(id);
    if (now <= revision) return { revision: now, saves: [] };
    const rows = await this.#savesAfter(number, revision);
    const saves = rows.map(({ save, commands }) => ({ save, commands: JSON.parse(commands) as Command[] }));
    return { revision: now, saves: saves.length === now - revision ? saves : null };
  }

  /** Puts a design away, or brings it back. */
  async setDeleted(id: string, deleted: boolean): Promise<void> {
    const { rows } = await this.#database.query(
      'UPDATE designs SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1 RETURNING id',
      [id, deleted],
    );
    this.#atHand.delete(id);
    if (!rows[0]) throw notFound('design');
  }

  async #row(id: string): Promise<Row> {
    const { rows } = await this.#database.query<Row>(
      'SELECT number, revision, updated_at FROM designs WHERE id = $1 AND deleted_at IS NULL',
      [id],
    );
    if (!rows[0]) throw notFound('design');
    return rows[0];
  }

  /** The design as it is now: what is written, with the saves since. */
  async #current(id: string): Promise<AtHand> {
    const known = this.#atHand.get(id);
    if (known) return known;
    const atHand = await this.#written(id, false);
    this.#atHand.set(id, atHand);
    return atHand;
  }

  async #written(id: string, anyway: boolean): Promise<AtHand> {
    const current = await this.#database.transaction(async (transaction) => {
      const { rows } = await transaction.query<Row & { document: string; written: number; checked: boolean }>(
        'SELECT number, revision, updated_at, document, written, checked FROM designs WHERE id = $1 AND (deleted_at IS NULL OR $2)',
        [id, anyway],
      );
      const row = rows[0];
      if (!row) throw notFound('design');
      return { row, saves: await savesAfter(transaction, row.number, row.written) };
    });
    const { row, saves } = current;
    const design = saves
      .flatMap(({ commands }) => JSON.parse(commands) as Command[])
      .reduce(apply, openKept(JSON.parse(row.document), row.checked));
    return {
      design,
      number: row.number,
      revision: row.revision,
      updatedAt: row.updated_at,
      file: {
        revision: row.written,
        size: row.document.length,
        since: saves.reduce((sum, { commands }) => sum + commands.length, 0),
        isBeingWritten: false,
      },
    };
  }

  #savesAfter(number: number, revision: number): Promise<SaveRow[]> {
    return savesAfter(this.#database, number, revision);
  }

  /** The revision of a save that arrived before and was acknowledged to nobody: it counts once. @throws Problem 409 where it did not */
  async #savedBefore({ number, revision: now }: AtHand, save: string, revision: number): Promise<number> {
    const known = (await this.#savesAfter(number, Math.min(revision, now))).find((row) => row.save === save);
    if (known) return known.revision;
    throw new Problem(
      409,
      'Changed elsewhere',
      'This design was changed in another window since you opened it. Your edits were not written over that.',
      { revision: now },
    );
  }

  /** Writes a save down. @returns when, or undefined where the design is at another revision by now */
  async #write(before: AtHand, design: Design, save: string, commands: string): Promise<Date | undefined> {
    const sql = `WITH moved AS (
        UPDATE designs SET revision = revision + 1, updated_at = now(), name = $3, repeat = $4, motifs = $5
        WHERE number = $1 AND revision = $2 AND deleted_at IS NULL RETURNING number, revision, updated_at
      ), kept AS (
        INSERT INTO saves (design, revision, save, commands) SELECT number, revision, $6, $7 FROM moved
      ) SELECT updated_at FROM moved`;
    const parameters = [
      before.number,
      before.revision,
      design.name,
      JSON.stringify(design.repeat),
      design.placements.length,
      save,
      commands,
    ];
    const uses = usesIn(before.design);
    const used = design.placements === before.design.placements ? uses : usesIn(design);
    if (isSameUse(uses, used)) return (await this.#database.query<Row>(sql, parameters)).rows[0]?.updated_at;
    return this.#database.transaction(async (transaction) => {
      const { rows } = await transaction.query<Row>(sql, parameters);
      if (rows[0]) await writeUses(transaction, before.number, uses, used);
      return rows[0]?.updated_at;
    });
  }

  /** Writes the whole document, so that fewer saves are left to be applied, and lets go of saves that nobody will ask for. */
  async #rewrite({ design, number, revision, file }: AtHand): Promise<void> {
    if (file.isBeingWritten) return;
    file.isBeingWritten = true;
    try {
      const document = JSON.stringify(design);
      const { since } = file;
      await this.#database.transaction(async (transaction) => {
        await transaction.query('UPDATE designs SET document = $2, written = $3, checked = true WHERE number = $1', [
          number,
          document,
          revision,
        ]);
        await transaction.query('DELETE FROM saves WHERE design = $1 AND revision <= $2', [
          number,
          revision - SAVES_KEPT,
        ]);
      });
      file.revision = revision;
      file.size = document.length;
      file.since -= since;
    } catch (error) {
      // Nothing is lost by it: the saves are there, and the next one tries again.
      process.stderr.write(`The document of design ${design.id} was not written again: ${String(error)}\n`);
    } finally {
      file.isBeingWritten = false;
    }
  }
}
