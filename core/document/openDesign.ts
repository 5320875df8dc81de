import { ValidationError } from 'yup';
import type { Design } from './design.ts';
import { sortByLayer } from './layer.ts';
import { designSchema } from './schema.ts';

/** Thrown when a file or request holds no design that can be opened; the message is a sentence. */
export class DesignError extends Error {}

/** Brings a document one version up. */
type Migration = (document: Readonly<Record<string, unknown>>) => Record<string, unknown>;

/** The version that is written. */
const CURRENT = 3;

/** The migration that leads away from each earlier version. */
const MIGRATIONS: Readonly<Record<number, Migration>> = {
  // Before inks had lists of what they print, each printed the one colour `from`.
  0: ({ inks, ...rest }) => ({
    ...rest,
    version: 1,
    inks: objectsOf(inks).map(({ from, ...ink }) => ({
      ...ink,
      prints: from === undefined ? [] : [from],
    })),
  }),
  // Before motifs could be stretched, slanted and blended, and layers be more than a name.
  1: ({ placements, layers, ...rest }) => ({
    ...rest,
    version: 2,
    guides: [],
    toss: null,
    layers: objectsOf(layers).map((layer) => ({ shown: true, locked: false, opacity: 1, blend: 'normal', ...layer })),
    placements: objectsOf(placements).map((placement) => ({ stretch: 1, skew: 0, blend: 'normal', ...placement })),
  }),
  // Before rows and grids were laid by recipes.
  2: (document) => ({ ...document, version: 3, layout: null }),
};

/**
 * Reads a design of this or any earlier version.
 *
 * @throws DesignError where it is none, naming the first thing that is wrong
 */
export function openDesign(document: unknown): Design {
  if (typeof document !== 'object' || document === null) throw new DesignError('This is not a design.');
  let current = document as Record<string, unknown>;
  for (let version = current['version']; version !== CURRENT; version = current['version']) {
    const migrate = typeof version === 'number' ? MIGRATIONS[version] : undefined;
    if (!migrate)
      throw new DesignError(
        `This design has the version ${String(version)}, which this Hevrel cannot read. Use a newer one.`,
      );
    current = migrate(current);
  }
  let design: Design;
  try {
    design = designSchema.validateSync(current, { strict: true }) as unknown as Design;
  } catch (error) {
    if (error instanceof ValidationError) throw new DesignError(`This design cannot be read: ${error.message}.`);
    throw error;
  }
  const missing = missingReference(design);
  if (missing) throw new DesignError(`This design cannot be read: ${missing}.`);
  return { ...design, placements: sortByLayer(design.layers, design.placements) };
}

function objectsOf(list: unknown): Record<string, unknown>[] {
  return Array.isArray(list) ? list.map((one: unknown) => Object(one) as Record<string, unknown>) : [];
}

/** The first reference that leads nowhere, as a phrase. */
function missingReference({ ground, inks, colourways, colourway, layers, placements }: Design): string | undefined {
  const ids = (list: readonly { id: string }[]): Set<string> => new Set(list.map(({ id }) => id));
  const inkIds = ids(inks);
  const layerIds = ids(layers);
  if (ground !== null && !inkIds.has(ground)) return 'its ground is an ink that it does not have';
  if (!ids(colourways).has(colourway)) return 'it is shown in a colourway that it does not have';
  for (const { name, colours } of colourways) {
    if (inks.some(({ id }) => colours[id] === undefined)) return `the colourway “${name}” lacks an ink`;
  }
  if (placements.some(({ layer }) => !layerIds.has(layer))) return 'a motif lies in a layer that it does not have';
  return undefined;
}
