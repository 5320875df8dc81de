import { nanoid } from 'nanoid';
import type { StoredMotif } from '../../contract/index.ts';
import { motifsIn, type Recipe, withMotifsIn } from '../../core/recipe/index.ts';
import type { Queries } from '../store/database.ts';
import { insertMotif, motifsNamed } from '../store/motifs.ts';
import { isSameJson } from '../store/sameJson.ts';
import type { Studio } from '../studio.ts';
import type { OpenedCollection } from './openedCollection.ts';

/** What came of taking a collection into the drawer. */
export interface TakenCollection {
  readonly name: string;
  readonly motifs: readonly string[];
  /** How many of them were in the drawer already. */
  readonly known: number;
}

/** Adds a collection to the drawer, all of it or nothing; what is there already, under the same name, is not added twice. */
export function takeCollection(
  { database }: Studio,
  { name: collection, motifs }: OpenedCollection,
): Promise<TakenCollection> {
  return database.transaction(async (queries) => {
    /** The motif of this studio for each of the file's. */
    const own = new Map<string, string>();
    let known = 0;
    for (const { id: filed, ...motif } of motifs) {
      const recipe = localised(motif.recipe, own);
      const there = await sameMotif(queries, motif, recipe);
      if (there !== undefined) known += 1;
      const id = there ?? nanoid(12);
      if (there === undefined) await insertMotif(queries, { ...motif, id, collection, recipe });
      own.set(filed, id);
    }
    return { name: collection, motifs: [...own.values()], known };
  });
}

/** A motif of the drawer that has the same name and was made in the same way, by its id. */
async function sameMotif(
  queries: Queries,
  { name, source }: Pick<StoredMotif, 'name' | 'source'>,
  recipe: Recipe | null,
): Promise<string | undefined> {
  const isFromFile = recipe === null || recipe.kind === 'merged';
  return (await motifsNamed(queries, name)).find((motif) =>
    isFromFile
      ? motif.source === source && (motif.recipe?.kind ?? null) === (recipe?.kind ?? null)
      : isSameJson(motif.recipe, recipe),
  )?.id;
}

/** The recipe in terms of this studio. */
function localised(recipe: Recipe | null, own: ReadonlyMap<string, string>): Recipe | null {
  return recipe && motifsIn(recipe).length > 0 ? withMotifsIn(recipe, (part) => own.get(part) as string) : recipe;
}
