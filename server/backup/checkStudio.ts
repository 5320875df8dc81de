import { type Dirent, readdirSync } from 'node:fs';
import type { PGlite } from '@electric-sql/pglite';
import { apply, commandsSchema, faultOf, openDesign, type Design } from '../../core/document/index.ts';
import { picturesOf } from '../../core/motif/index.ts';
import { productSchema, tryOnSchema } from '../../core/tryon/index.ts';
import { Blobs, DRAFT_MARK } from '../store/blobs.ts';
import { readArtwork } from '../store/keptArtwork.ts';
import { compareMigrations, openPostgres } from '../store/postgres.ts';
import { PostgresFiles } from '../store/postgresFiles.ts';
import type { CheckOutcome, CheckStudioTask, Fault } from '../work/tasks.ts';

/** A content address within other text. */
const NAMED = '([0-9a-f]{64}[.][a-z]{2,5})';
const ADDRESSES = new RegExp(NAMED, 'g');

const RESTORE = 'Restore a backup made before.';
const AGAIN = 'Import the same file again, which mends it, or restore a backup.';

/** Reads all that a studio keeps, as it will be read in use, and says what is damaged. To be called in a process of the pool, on a copy of the database. */
export async function checkStudio({ database: folder, blobs: files }: CheckStudioTask): Promise<CheckOutcome> {
  let database: PGlite;
  try {
    database = await openPostgres(folder, new PostgresFiles(folder), { isLasting: false });
    const { due, unknown } = await compareMigrations(database);
    if (due.length + unknown.length > 0)
      throw new Error(`its tables are those of another version (${[...due, ...unknown].join(', ')})`);
  } catch (error) {
    return {
      seen: {},
      unnamed: [],
      faults: [{ what: 'the database', wrong: `It cannot be opened: ${reason(error)}.`, help: RESTORE }],
    };
  }
  const desk = new CheckDesk(database, new Blobs(files));
  try {
    await desk.designs();
    await desk.documents();
    await desk.motifs();
    await desk.tryOns();
    await desk.printOrders();
    await desk.files();
    await desk.names();
  } finally {
    await database.close();
  }
  return desk;
}

class CheckDesk implements CheckOutcome {
  readonly seen: Record<string, number> = {};
  readonly faults: Fault[] = [];
  readonly unnamed: string[] = [];
  readonly #database: PGlite;
  readonly #blobs: Blobs;
  readonly #soundFiles = new Map<string, boolean>();

  constructor(database: PGlite, blobs: Blobs) {
    this.#database = database;
    this.#blobs = blobs;
  }

  /** Designs, with the saves since their documents were written. */
  async designs(): Promise<void> {
    for (const row of await this.#rows<{
      id: string;
      number: number;
      name: string;
      document: string;
      written: number;
      revision: number;
    }>('SELECT id, number, name, document, written, revision FROM designs'))
      await this.#look('designs', `the design “${row.name}” (${row.id})`, RESTORE, async () => {
        const saves = await this.#rows<{ revision: number; commands: string }>(
          `SELECT revision, commands FROM saves WHERE design = ${row.number} AND revision > ${row.written} ORDER BY revision`,
        );
        if (saves.length !== row.revision - row.written)
          throw new Error(`${row.revision - row.written - saves.length} saves are missing`);
        const design = saves
          .flatMap(({ commands }) => commandsSchema.validateSync(JSON.parse(commands), { strict: true }) ?? [])
          .reduce(apply, openDesign(JSON.parse(row.document)));
        const fault = faultOf(design);
        if (fault) throw new Error(fault);
        await this.#requireMotifs(design);
      });
  }

  /** Documents that are kept whole: alternatives, and those in swatches. */
  async documents(): Promise<void> {
    for (const { id, name, document } of await this.#rows<{ id: string; name: string; document: unknown }>(
      'SELECT id, name, document FROM alternatives',
    ))
      await this.#look('alternatives', `the alternative “${name}” (${id})`, RESTORE, () =>
        this.#requireMotifs(openDesign(document)),
      );
    for (const { id, name, number, design, tile, thumbnail } of await this.#rows<{
      id: string;
      name: string;
      number: number;
      design: unknown;
      tile: string;
      thumbnail: string;
    }>(
      'SELECT id, name, number, design, tile, thumbnail FROM swatches JOIN swatch_versions ON swatch_id = id ORDER BY id, number',
    ))
      await this.#look(
        'swatches',
        `version ${number} of the swatch “${name}” (${id})`,
        'Save the swatch again from its design, or restore a backup.',
        async () => {
          openDesign(design);
          await this.#requireFiles([tile, thumbnail]);
        },
      );
  }

  /** Motifs, fonts and scans, with the files that they are made of. */
  async motifs(): Promise<void> {
    for (const { id, name, artwork, source, thumbnail } of await this.#rows<{
      id: string;
      name: string;
      artwork: string;
      source: string;
      thumbnail: string;
    }>('SELECT id, name, artwork, source, thumbnail FROM motifs'))
      await this.#look('motifs', `the motif “${name}” (${id})`, AGAIN, async () => {
        await this.#requireFiles([artwork, source, thumbnail].filter((address) => Blobs.isAddress(address)));
        await this.#requireFiles(picturesOf(await readArtwork(this.#blobs, artwork)));
      });
    for (const { family, style, file } of await this.#rows<{ family: string; style: string; file: string }>(
      'SELECT family, style, file FROM fonts',
    ))
      await this.#look('fonts', `the font ${family} ${style}`, AGAIN, () => this.#requireFiles([file]));
    for (const { id, name, picture, preview } of await this.#rows<{
      id: string;
      name: string;
      picture: string;
      preview: string;
    }>('SELECT id, name, picture, preview FROM sheets'))
      await this.#look('scans', `the scan “${name}” (${id})`, AGAIN, () => this.#requireFiles([picture, preview]));
  }

  /** Try-ons, and the studio's own products with their drawings. */
  async tryOns(): Promise<void> {
    for (const { id, document } of await this.#rows<{ id: string; document: unknown }>(
      'SELECT id, document FROM try_ons',
    ))
      await this.#look('try-ons', `the try-on ${id}`, RESTORE, async () => {
        await tryOnSchema.validate(document, { strict: true });
      });
    for (const { id, product, drawing, photo } of await this.#rows<{
      id: string;
      product: unknown;
      drawing: string;
      photo: { readonly blob: string } | null;
    }>('SELECT id, product, drawing, photo FROM products'))
      await this.#look('products', `the product ${id}`, RESTORE, async () => {
        await productSchema.validate(product, { strict: true });
        await this.#requireFiles([drawing, ...(photo ? [photo.blob] : [])]);
      });
  }

  /** Orders of prints, with the pictures that came back. */
  async printOrders(): Promise<void> {
    for (const { id, name, pictures } of await this.#rows<{ id: string; name: string; pictures: (string | null)[] }>(
      'SELECT id, name, ARRAY[thumbnail, piece, across] AS pictures FROM print_orders',
    ))
      await this.#look('print orders', `the print order of “${name}” (${id})`, RESTORE, () =>
        this.#requireFiles(pictures.filter((address) => address !== null)),
      );
  }

  /** Every file, also those that nothing names any more. */
  async files(): Promise<void> {
    for (const entry of this.#files()) {
      if (this.#soundFiles.has(entry.name)) continue;
      if (!Blobs.isAddress(entry.name))
        this.faults.push({
          what: `the file ${entry.name}`,
          wrong: 'It is none of Hevrel’s.',
          help: 'It does no harm; move it elsewhere.',
        });
      else await this.#look('files', `the file ${entry.name}`, AGAIN, () => this.#requireFiles([entry.name]));
    }
  }

  /** Looks which files are named by anything: a row of any table, or artwork that is itself named. */
  async names(): Promise<void> {
    const tables = await this.#rows<{ name: string }>(
      `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_name <> 'unnamed_files'`,
    );
    const named = new Set<string>();
    for (const { name } of tables)
      for (const { address } of await this.#rows<{ address: string }>(
        `SELECT DISTINCT match[1] AS address FROM ${name} AS one, regexp_matches(one::text, '${NAMED}', 'g') AS match`,
      ))
        named.add(address);
    for (const address of named)
      if (address.endsWith('.json') && this.#blobs.has(address))
        for (const [within] of (await this.#blobs.read(address).catch(() => '')).toString('utf8').matchAll(ADDRESSES))
          named.add(within);
    for (const { name } of this.#files()) if (Blobs.isAddress(name) && !named.has(name)) this.unnamed.push(name);
  }

  #files(): Dirent[] {
    return readdirSync(this.#blobs.folder, { recursive: true, withFileTypes: true }).filter(
      (entry) => entry.isFile() && !entry.name.includes(DRAFT_MARK),
    );
  }

  async #rows<T>(sql: string): Promise<T[]> {
    return (await this.#database.query<T>(sql)).rows;
  }

  async #look(kind: string, what: string, help: string, work: () => Promise<void>): Promise<void> {
    this.seen[kind] = (this.seen[kind] ?? 0) + 1;
    try {
      await work();
    } catch (error) {
      this.faults.push({ what, wrong: `It is damaged: ${reason(error)}.`, help });
    }
  }

  async #requireFiles(addresses: Iterable<string>): Promise<void> {
    for (const address of addresses) {
      if (!this.#soundFiles.has(address)) this.#soundFiles.set(address, await this.#blobs.isSound(address));
      if (!this.#soundFiles.get(address))
        throw new Error(`its file ${address} is ${this.#blobs.has(address) ? 'not what it was' : 'not there'}`);
    }
  }

  async #requireMotifs({ placements }: Design): Promise<void> {
    const used = [...new Set(placements.map(({ motif }) => motif))];
    const { rows } = await this.#database.query<{ id: string }>('SELECT id FROM motifs WHERE id = ANY($1)', [used]);
    const known = new Set(rows.map(({ id }) => id));
    const missing = used.find((id) => !known.has(id));
    if (missing !== undefined) throw new Error(`the motif ${missing} is not in the drawer`);
  }
}

function reason(error: unknown): string {
  return (error instanceof Error ? error.message : String(error)).split('\n')[0]?.replace(/\.$/, '') ?? '';
}
