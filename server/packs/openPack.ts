import { cutText } from '../../core/schema/index.ts';
import { readFile } from 'node:fs/promises';
import { ValidationError } from 'yup';
import type { StoredMotif } from '../../contract/index.ts';
import {
  CommandError,
  type Design,
  DesignError,
  openWithinLimits,
  type SwatchVersion,
} from '../../core/document/index.ts';
import { artworkSchema, picturesOf } from '../../core/motif/index.ts';
import { messageOf } from '../../core/problem/index.ts';
import { openRecipe, pictureIn, type Recipe } from '../../core/recipe/index.ts';
import { readJson } from '../http/readJson.ts';
import { drawingText } from '../motifs/drawingText.ts';
import { headerOf } from '../motifs/lossless.ts';
import { requirePaintable } from '../motifs/requirePaintable.ts';
import { sniff } from '../motifs/sniff.ts';
import { Problem } from '../problem.ts';
import { Blobs, type BlobKind } from '../store/blobs.ts';
import type { UnpackTask } from '../work/tasks.ts';
import { readList } from '../zip/readList.ts';
import { unpackZip } from '../zip/unpackZip.ts';
import type { OpenedPack } from './openedPack.ts';
import { PACK_LIST, type PackedMotif, packListSchema, type PackList, packPathOf } from './packFile.ts';

/** Reads a pack's file, or the document of a design. @throws Problem, DesignError or CommandError where it is none, or not whole */
export async function openPack({ file, blobs: folder }: UnpackTask): Promise<OpenedPack> {
  const content = await readFile(file);
  if (isJson(content)) return { motifs: [], designs: [openWithinLimits(readJson(withoutMark(content)))], swatches: [] };
  const files = await unpackZip(content, 'pack', damaged);
  const list = listIn(files);
  const keeper = new Keeper(files, new Blobs(folder));
  const motifs: StoredMotif[] = [];
  for (const motif of list.motifs) motifs.push(await keeper.motif(motif));
  const swatches: OpenedPack['swatches'][number][] = [];
  for (const { versions, ...swatch } of list.swatches) {
    const opened: SwatchVersion[] = [];
    for (const [n, { tile, preview, design, motifs: own, savedAt, ...version }] of versions.entries()) {
      const kept = [];
      for (const motif of own) kept.push(await keeper.motif(motif));
      const picture = await keeper.picture(tile);
      opened.push({
        ...version,
        number: n + 1,
        savedAt: new Date(savedAt).toISOString(),
        design: designIn(design),
        motifs: kept,
        tile: picture.address,
        tileWidth: picture.width,
        tileHeight: picture.height,
        thumbnail: (await keeper.picture(preview)).address,
      });
    }
    swatches.push({ ...swatch, versions: opened });
  }
  return { motifs, designs: list.designs.map(designIn), swatches };
}

/** Whether it is JSON of an object rather than a ZIP, which begins with a P. */
function isJson(content: Buffer): boolean {
  return /^(?:\ufeff)?\s*\{/.test(content.toString('utf8', 0, 256));
}

/** Some editors put a mark of three bytes before UTF-8. */
function withoutMark(content: Buffer): Buffer {
  return content[0] === 0xef ? content.subarray(3) : content;
}

function listIn(files: ReadonlyMap<string, Uint8Array>): PackList {
  const text = files.get(PACK_LIST);
  if (!text) throw damaged('it has no list of what is in it');
  let list: unknown;
  try {
    list = readList(text, damaged);
    return packListSchema.validateSync(list, { strict: true });
  } catch (error) {
    const version: unknown = Reflect.get(Object(list), 'version');
    if (typeof version === 'number' && version > 1)
      throw new Problem(
        422,
        'A newer pack',
        `This pack is of the version ${version}, which this Hevrel cannot read. Nothing was added; import it with a newer one.`,
      );
    if (error instanceof SyntaxError || error instanceof ValidationError)
      throw damaged(`its list cannot be read (${cutText(error.message, 120)})`);
    throw error;
  }
}

function designIn(document: object): Design {
  try {
    return openWithinLimits(document);
  } catch (error) {
    if (error instanceof DesignError || error instanceof CommandError) throw damaged(messageOf(error));
    throw error;
  }
}

/** Keeps the files of a pack, each once, when it is what it is named. */
class Keeper {
  readonly #kept = new Set<string>();

  constructor(
    readonly files: ReadonlyMap<string, Uint8Array>,
    readonly blobs: Blobs,
  ) {}

  async motif({ recipe, ...motif }: PackedMotif): Promise<StoredMotif> {
    const opened = recipe === null ? null : recipeIn(recipe, motif.name);
    await this.#artwork(motif.artwork);
    await this.#keep(motif.thumbnail);
    await this.#keep(motif.source);
    if (opened) await this.#madeOf(opened, true);
    return { ...motif, recipe: opened };
  }

  /** A picture under a name of its own. */
  async picture(path: string): Promise<{ readonly address: string; readonly width: number; readonly height: number }> {
    const content = this.files.get(path);
    if (!content) throw damaged(`“${path}” is not in it`);
    const { width, height, format } = await headerOf(Buffer.from(content)).catch(() => {
      throw damaged(`“${path}” is not a picture that can be read`);
    });
    return { address: this.blobs.keep(content, format === 'webp' ? 'webp' : 'png'), width, height };
  }

  /** Keeps what a recipe begins with; of what its motif was made by before as far as it is there, which in earlier packs it is not. */
  async #madeOf(recipe: Recipe, isNeeded: boolean): Promise<void> {
    const isThere = (address: string): boolean => isNeeded || this.files.has(packPathOf(address));
    const picture = pictureIn(recipe);
    if (picture !== undefined && isThere(picture)) await this.#keep(picture);
    if ('original' in recipe && isThere(recipe.original)) await this.#artwork(recipe.original);
    if ('before' in recipe && recipe.before) await this.#madeOf(recipe.before, false);
  }

  async #artwork(address: string): Promise<void> {
    if (this.#kept.has(address)) return;
    const content = await this.#keep(address);
    try {
      const artwork = await artworkSchema.validate(JSON.parse(Buffer.from(content).toString('utf8')), { strict: true });
      for (const picture of picturesOf(artwork)) await this.#keep(picture);
      await requirePaintable(artwork, this.blobs);
    } catch (error) {
      if (error instanceof SyntaxError || error instanceof ValidationError)
        throw damaged(`an artwork in it cannot be read (${cutText(error.message, 120)})`);
      throw error;
    }
  }

  async #keep(address: string): Promise<Uint8Array> {
    const content =
      this.files.get(packPathOf(address)) ?? (this.blobs.has(address) && (await this.blobs.read(address)));
    if (!content) throw damaged(`the file ${address.slice(0, 8)}… is not in it`);
    if (this.#kept.has(address)) return content;
    // An address is a hash and an ending; the schema has checked that.
    const kind = address.slice(address.indexOf('.') + 1) as BlobKind;
    if (this.blobs.addressOf(content, kind) !== address || !(await isOfKind(content, kind)))
      throw damaged(`the file ${address.slice(0, 8)}… is not what its name says`);
    this.blobs.keep(content, kind);
    this.#kept.add(address);
    return content;
  }
}

/** The largest drawing that is read, bytes of text. */
const MOST_DRAWING = 64 * 1024 * 1024;

async function isOfKind(content: Uint8Array, kind: BlobKind): Promise<boolean> {
  // Artwork is checked where it is read.
  if (kind === 'json') return true;
  if (kind === 'ttf' || sniff(content) !== kind) return false;
  try {
    if (kind === 'svg' || kind === 'svgz') await drawingText(Buffer.from(content), MOST_DRAWING);
    else await headerOf(Buffer.from(content));
    return true;
  } catch {
    // What is damaged or too large counts as not being of the kind; the sentence says which file that was.
    return false;
  }
}

function recipeIn(recipe: object, name: string): StoredMotif['recipe'] {
  try {
    return openRecipe(recipe);
  } catch (error) {
    if (error instanceof ValidationError)
      throw damaged(`the recipe of “${name}” cannot be read (${cutText(error.message, 120)})`);
    throw error;
  }
}

function damaged(why: string): Problem {
  return new Problem(
    422,
    'Not a whole pack',
    `This is not a whole pack: ${why}. Nothing was added; export it anew and import it again.`,
  );
}
