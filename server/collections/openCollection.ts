import { cutText } from '../../core/schema/index.ts';
import { readFile } from 'node:fs/promises';
import { ValidationError } from 'yup';
import type { StoredMotif } from '../../contract/index.ts';
import { DEEPEST_BUNDLE, motifsIn, openRecipe, pictureIn, type Recipe } from '../../core/recipe/index.ts';
import { derive } from '../motifs/derive.ts';
import { motifOfFile } from '../motifs/readMotif.ts';
import { sniff } from '../motifs/sniff.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { OpenCollectionTask, TaskContext } from '../work/tasks.ts';
import { readList } from '../zip/readList.ts';
import { unpackZip } from '../zip/unpackZip.ts';
import { collectionListSchema, LIST_FILE, type CollectionList, type FiledMotif } from './collectionFile.ts';
import type { OpenedCollection } from './openedCollection.ts';

type Made = OpenedCollection['motifs'][number];

/**
 * Reads a collection's file and makes every motif of it from its own file or recipe, as if each had been imported or built.
 *
 * @throws Problem with a sentence where it is none, not whole, or holds what cannot be made
 */
export async function openCollection(task: OpenCollectionTask, context: TaskContext): Promise<OpenedCollection> {
  const files = await unpackZip(await readFile(task.file), 'collection', damaged);
  const list = listIn(files);
  const maker = new Maker(task, files, context);
  for (const filed of list.motifs) await maker.make(filed);
  return { name: list.name, motifs: [...maker.made.values()] };
}

class Maker {
  readonly made = new Map<string, Made>();
  readonly #depths = new Map<string, number>();
  readonly #blobs: Blobs;

  constructor(
    readonly task: OpenCollectionTask,
    readonly files: ReadonlyMap<string, Uint8Array>,
    readonly context: TaskContext,
  ) {
    this.#blobs = new Blobs(task.blobs);
  }

  async make(filed: FiledMotif): Promise<void> {
    if (this.made.has(filed.id)) throw damaged(`“${filed.name}” is in it twice`);
    this.made.set(filed.id, await this.#made(filed));
  }

  async #made({ id, name, tags, width, recipe, source: path }: FiledMotif): Promise<Made> {
    const content = path === null ? undefined : this.files.get(path);
    if (path !== null && !content) throw damaged(`the file of “${name}” is not in it`);
    const kind = content && sniff(content);
    if (content && !kind) throw damaged(`the file of “${name}” is neither a drawing nor a picture`);
    const given = { id, name, tags: [...tags] };
    if (recipe === null || recipe.kind === 'merged') {
      if (!content) throw damaged(`“${name}” has no file`);
      const { source, artwork, view, inks, thumbnail } = await this.#read(name, content);
      const plain = { ...given, recipe: null, source, artwork, view, inks, thumbnail, width };
      if (recipe === null) return plain;
      const merged = { ...recipe, original: artwork };
      const drawing = await this.#derive(merged);
      // Merging inks keeps the artwork's own unit.
      return { ...plain, ...drawing, recipe: merged, width: (width / view.width) * drawing.view.width };
    }
    const own = this.#own(recipe, content && kind ? this.#blobs.keep(content, kind) : undefined);
    this.#checkDepth(id, name, own);
    const { thumbnail, artwork, view, inks } = await this.#derive(own);
    const source = content && kind ? this.#blobs.addressOf(content, kind) : artwork;
    return { ...given, recipe: own, source, artwork, view, inks, thumbnail, width };
  }

  /** The recipe with the picture that came along. */
  #own(recipe: Recipe, picture: string | undefined): Recipe {
    for (const part of motifsIn(recipe)) if (!this.made.has(part)) throw damaged('a motif comes before its parts');
    if (pictureIn(recipe) === undefined || !('picture' in recipe)) return recipe;
    if (picture === undefined) throw damaged('the picture of a scan or a tile is not in it');
    return { ...recipe, picture };
  }

  #checkDepth(id: string, name: string, recipe: Recipe): void {
    const parts = motifsIn(recipe);
    const depth = parts.length === 0 ? 0 : 1 + Math.max(...parts.map((part) => this.#depths.get(part) ?? 0));
    if (depth > DEEPEST_BUNDLE) throw damaged(`“${name}” is nested more than ${DEEPEST_BUNDLE} deep`);
    this.#depths.set(id, depth);
  }

  #derive(recipe: Recipe): ReturnType<typeof derive> {
    const motifs = motifsIn(recipe).map((part) => ({ ...this.made.get(part), collection: '' }) as StoredMotif);
    return derive({ kind: 'derive', recipe, motifs, blobs: this.task.blobs }, this.context);
  }

  #read(name: string, content: Uint8Array): ReturnType<typeof motifOfFile> {
    return motifOfFile(name, Buffer.from(content), this.task.fonts, this.#blobs);
  }
}

function listIn(files: ReadonlyMap<string, Uint8Array>): CollectionList {
  const text = files.get(LIST_FILE);
  if (!text) throw damaged('it has no list of motifs');
  try {
    const list = collectionListSchema.validateSync(readList(text, damaged), { strict: true });
    return {
      ...list,
      motifs: list.motifs.map((motif) => ({
        ...motif,
        recipe: motif.recipe === null ? null : openRecipe(motif.recipe),
      })),
    };
  } catch (error) {
    if (error instanceof ValidationError) throw damaged(`its list cannot be read (${cutText(error.message, 120)})`);
    throw error;
  }
}

function damaged(why: string): Problem {
  return new Problem(
    422,
    'Not a whole collection',
    `This is not a whole collection: ${why}. Nothing was added; export the collection again and import that.`,
  );
}
