import type { StoredMotif } from '../../contract/index.ts';
import { motifsIn, openRecipe, pictureIn, type Recipe, withMotifsIn } from '../../core/recipe/index.ts';
import { nanoid } from 'nanoid';
import { ValidationError } from 'yup';
import { readFile } from '../motifs/importMotif.ts';
import { makeMotif, remakeMotif } from '../motifs/makeMotif.ts';
import { sniff } from '../motifs/sniff.ts';
import { Problem } from '../problem.ts';
import { isSameJson } from '../store/sameJson.ts';
import { changeMotif, everyMotif, insertMotif } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';
import { unpackZip } from '../zip/unpackZip.ts';
import { collectionListSchema, LIST_FILE, type CollectionList, type FiledMotif } from './collectionFile.ts';

/** What came of reading a collection's file. */
export interface ReadCollection {
  readonly name: string;
  readonly motifs: readonly string[];
  /** How many of them were in the drawer already. */
  readonly known: number;
}

/**
 * Takes a collection's file into the drawer. Every motif is made anew from its own file or recipe, through the same
 * doors as any other; what is there already, under the same name, is not taken twice.
 *
 * @throws Problem; motifs taken before it stay
 */
export async function readCollection(studio: Studio, content: Uint8Array): Promise<ReadCollection> {
  const files = await unpackZip(content, 'collection', damaged);
  const list = listIn(files);
  const there = await everyMotif(studio.database);
  /** The motif of this studio for each of the file's. */
  const own = new Map<string, string>();
  let known = 0;
  for (const filed of list.motifs) {
    const taken = await taking(studio, list.name, filed, files, own, there);
    if (taken.wasThere) known += 1;
    own.set(filed.id, taken.id);
  }
  return { name: list.name, motifs: [...own.values()], known };
}

async function taking(
  studio: Studio,
  collection: string,
  filed: FiledMotif,
  files: ReadonlyMap<string, Uint8Array>,
  own: ReadonlyMap<string, string>,
  there: readonly StoredMotif[],
): Promise<{ id: string; wasThere: boolean }> {
  const { name, width } = filed;
  const tags = [...filed.tags];
  const source = filed.source === null ? undefined : files.get(filed.source);
  if (filed.source !== null && !source) throw damaged(`the file of “${name}” is not in it`);
  const kind = source && sniff(source);
  if (source && !kind) throw damaged(`the file of “${name}” is no drawing and no picture`);
  const address = source && kind && studio.blobs.addressOf(source, kind);
  const given = { name, collection, tags };

  if (filed.recipe === null || filed.recipe.kind === 'merged') {
    if (!source || !address) throw damaged(`“${name}” has no file`);
    const wasThere = there.find(
      (motif) =>
        motif.source === address &&
        motif.name === name &&
        (motif.recipe?.kind ?? null) === (filed.recipe?.kind ?? null),
    );
    if (wasThere) return { id: wasThere.id, wasThere: true };
    const { artwork, view, inks, thumbnail } = await readFile(studio, name, source);
    const motif: StoredMotif = {
      id: nanoid(12),
      recipe: null,
      source: address,
      artwork,
      view,
      inks,
      thumbnail,
      ...given,
      width,
    };
    await insertMotif(studio.database, motif);
    if (filed.recipe) await remakeMotif(studio, motif, { ...filed.recipe, original: motif.artwork });
    return { id: motif.id, wasThere: false };
  }

  if (pictureIn(filed.recipe) !== undefined && source && kind) studio.blobs.keep(source, kind);
  const recipe = localised(filed.recipe, own, address);
  const wasThere = there.find((motif) => motif.name === name && isSameJson(motif.recipe, recipe));
  if (wasThere) return { id: wasThere.id, wasThere: true };
  const motif = await makeMotif(studio, { ...given, ...(address && { source: address }) }, recipe);
  // Its natural size may have been changed since it was made.
  if (Math.abs(motif.width - width) > 1e-9) await changeMotif(studio.database, motif.id, { width });
  return { id: motif.id, wasThere: false };
}

/** The recipe in terms of this studio. @throws Problem */
function localised(
  recipe: Exclude<Recipe, { kind: 'merged' }>,
  own: ReadonlyMap<string, string>,
  picture: string | undefined,
): Recipe {
  if (recipe.kind === 'scan' || recipe.kind === 'tile') {
    if (!picture) throw damaged('the picture of a scan or a tile is not in it');
    return { ...recipe, picture };
  }
  for (const part of motifsIn(recipe)) if (!own.has(part)) throw damaged('a motif comes before its parts');
  return withMotifsIn(recipe, (part) => own.get(part) as string);
}

function listIn(files: ReadonlyMap<string, Uint8Array>): CollectionList {
  const text = files.get(LIST_FILE);
  if (!text) throw damaged('it has no list of motifs');
  try {
    const list = collectionListSchema.validateSync(JSON.parse(Buffer.from(text).toString('utf8')), {
      strict: true,
    });
    return {
      ...list,
      motifs: list.motifs.map((motif) => ({
        ...motif,
        recipe: motif.recipe === null ? null : openRecipe(motif.recipe),
      })),
    };
  } catch (error) {
    if (error instanceof SyntaxError || error instanceof ValidationError)
      throw damaged(`its list cannot be read (${error.message.slice(0, 120)})`);
    throw error;
  }
}

function damaged(why: string): Problem {
  return new Problem(
    422,
    'Not a whole collection',
    `This is not a whole collection: ${why}. What was in the drawer stays as it was; write the collection anew and import it again.`,
  );
}
