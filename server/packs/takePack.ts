import { nanoid } from 'nanoid';
import type { StoredDesign, StoredMotif } from '../../contract/index.ts';
import { type Design, motifsNamedBy, replaceMotifs, type SwatchVersion } from '../../core/document/index.ts';
import { motifsIn, withMotifsIn } from '../../core/recipe/index.ts';
import { Problem } from '../problem.ts';
import type { Queries } from '../store/database.ts';
import { insertMotif, missingMotif, motifsById, setMotifDeleted } from '../store/motifs.ts';
import { isSameJson } from '../store/sameJson.ts';
import { hasSwatch, insertWholeSwatch, readWholeSwatch } from '../store/swatches.ts';
import type { Studio } from '../studio.ts';
import type { OpenedPack } from './openedPack.ts';

/** What came of taking a pack into the studio. */
export interface TakenPack {
  readonly designs: readonly string[];
  readonly swatches: readonly string[];
  readonly motifs: readonly string[];
  /** How many of all these were there already. */
  readonly known: number;
}

/**
 * Adds everything of a pack to the studio, under the ids that it had where these are free. What is there already, to the last
 * digit, is not added twice; what is there and differs is left as it is, and the pack's is added beside it.
 *
 * @throws Problem; nothing is added then
 */
export async function takePack(studio: Studio, { motifs, designs, swatches }: OpenedPack): Promise<TakenPack> {
  // A transaction waits for nothing but itself, so what is there is looked at before.
  const there = new Map<string, StoredDesign | undefined>();
  for (const { id } of designs) if (await studio.designs.has(id)) there.set(id, await studio.designs.find(id));
  return studio.database.transaction(async (queries) => {
    let known = 0;
    const others = new Map<string, string>();
    const taken: string[] = [];
    for (const motif of motifs) {
      const { id, isKnown } = await takeMotif(queries, withOtherParts(motif, others));
      if (id !== motif.id) others.set(motif.id, id);
      if (isKnown) known += 1;
      taken.push(id);
    }
    const origins = new Map<string, TakenDesign & { readonly packed: Design }>();
    for (const design of designs) {
      const own = replaceMotifs(design, others);
      const missing = await missingMotif(queries, motifsNamedBy(own));
      if (missing !== undefined)
        throw new Problem(
          422,
          'Motifs are missing',
          `The design “${design.name}” uses a motif that is neither in this file nor in the drawer (${missing}). Nothing was added; export the design as a pack, which has its motifs in it, and import that.`,
        );
      const takenDesign = await takeDesign(studio, queries, own, there);
      origins.set(design.id, { ...takenDesign, packed: design });
      if (takenDesign.isKnown) known += 1;
    }
    const takenSwatches: string[] = [];
    for (const { id, versions, ...details } of swatches) {
      const own = versions.map((version) => {
        const origin = origins.get(version.designId);
        if (!origin) return version;
        // Its saves were counted elsewhere: what is the same here is so at the revision that the design has here.
        const revision = isSameJson(version.design, origin.packed) ? origin.revision : NO_REVISION;
        return { ...version, designId: origin.id, revision };
      });
      const isThere = await hasSwatch(queries, id);
      if (isThere && (await isSameSwatch(queries, id, own))) {
        known += 1;
        takenSwatches.push(id);
        continue;
      }
      const newId = isThere ? nanoid(12) : id;
      await insertWholeSwatch(queries, newId, details, own);
      takenSwatches.push(newId);
    }
    return { designs: [...origins.values()].map(({ id }) => id), swatches: takenSwatches, motifs: taken, known };
  });
}

/** No design is ever at it. */
const NO_REVISION = 0;

interface Taken {
  readonly id: string;
  readonly isKnown: boolean;
}

function withOtherParts(motif: StoredMotif, others: ReadonlyMap<string, string>): StoredMotif {
  const { recipe } = motif;
  if (recipe === null || !motifsIn(recipe).some((part) => others.has(part))) return motif;
  return { ...motif, recipe: withMotifsIn(recipe, (part) => others.get(part) ?? part) };
}

async function takeMotif(queries: Queries, motif: StoredMotif): Promise<Taken> {
  const [there] = await motifsById(queries, [motif.id]);
  if (!there) {
    await insertMotif(queries, motif);
    return { id: motif.id, isKnown: false };
  }
  if (there.artwork === motif.artwork && there.width === motif.width && isSameJson(there.recipe, motif.recipe)) {
    // It may have been taken out of the drawer.
    await setMotifDeleted(queries, motif.id, false);
    return { id: motif.id, isKnown: true };
  }
  const id = nanoid(12);
  await insertMotif(queries, { ...motif, id });
  return { id, isKnown: false };
}

interface TakenDesign extends Taken {
  readonly revision: number;
}

async function takeDesign(
  studio: Studio,
  queries: Queries,
  design: Design,
  there: ReadonlyMap<string, StoredDesign | undefined>,
): Promise<TakenDesign> {
  const known = there.get(design.id);
  if (known && isSameJson(known.design, design)) return { id: design.id, isKnown: true, revision: known.revision };
  const id = there.has(design.id) ? nanoid(12) : design.id;
  const { revision } = await studio.designs.insert(id === design.id ? design : { ...design, id }, queries);
  return { id, isKnown: false, revision };
}

async function isSameSwatch(queries: Queries, id: string, versions: readonly SwatchVersion[]): Promise<boolean> {
  const there = await readWholeSwatch(queries, id).catch((error: unknown) => {
    // One in the bin counts as not being there.
    if (error instanceof Problem && error.status === 404) return undefined;
    throw error;
  });
  return (
    there?.versions.length === versions.length &&
    there.versions.every(
      (version, n) => version.tile === versions[n]?.tile && isSameJson(version.design, versions[n]?.design),
    )
  );
}
