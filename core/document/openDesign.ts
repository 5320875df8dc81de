import { ValidationError } from 'yup';
import { type Design, DESIGN_VERSION, designSchema } from './design.ts';
import { inksOfGround } from './ground.ts';
import { sortByLayer } from './layer.ts';

/** Thrown when a file or request holds no design that can be opened; the message is a sentence. */
export class DesignError extends Error {}

/** Brings a document one version up. */
type Migration = (document: Readonly<Record<string, unknown>>) => Record<string, unknown>;

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
  // Before poses had the names of the literature, the ground was a union, and the colourway looked at was the window's affair.
  3: ({ placements, ground, colourway, colourways, toss, ...rest }) => ({
    ...rest,
    version: 4,
    ground: ground === null ? { kind: 'none' } : { kind: 'flat', ink: ground },
    // The one looked at comes first: it is what was exported.
    colourways: objectsOf(colourways).sort((a, b) => Number(b['id'] === colourway) - Number(a['id'] === colourway)),
    toss: isObject(toss) ? { ...toss, recipe: withFlipped(toss['recipe']) } : toss,
    placements: objectsOf(placements).map(({ turn, stretch, mirrored, ...placement }) => ({
      ...placement,
      rotation: turn,
      aspect: stretch,
      flipped: mirrored,
    })),
  }),
};

/**
 * Reads a design of this or any earlier version.
 *
 * @throws DesignError where it is none, naming the first thing that is wrong
 */
export function openDesign(document: unknown): Design {
  if (!isObject(document)) throw new DesignError('This is not a design.');
  let current = document;
  for (let version = current['version']; version !== DESIGN_VERSION; version = current['version']) {
    const migrate = typeof version === 'number' ? MIGRATIONS[version] : undefined;
    if (!migrate)
      throw new DesignError(
        `This design has the version ${String(version)}, which this Hevrel cannot read. Use a newer one.`,
      );
    current = migrate(current);
  }
  let design: Design;
  try {
    design = designSchema.validateSync(current, { strict: true });
  } catch (error) {
    if (error instanceof ValidationError) throw new DesignError(`This design cannot be read: ${error.message}.`);
    throw error;
  }
  const missing = missingReference(design);
  if (missing) throw new DesignError(`This design cannot be read: ${missing}.`);
  return { ...design, placements: sortByLayer(design.layers, design.placements) };
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}

function withFlipped(recipe: unknown): unknown {
  if (!isObject(recipe)) return recipe;
  const { mirrored, ...rest } = recipe;
  return { ...rest, flipped: mirrored };
}

function objectsOf(list: unknown): Record<string, unknown>[] {
  return Array.isArray(list) ? list.map((one: unknown) => Object(one) as Record<string, unknown>) : [];
}

/** The first reference that leads nowhere, as a phrase. */
function missingReference({ ground, inks, colourways, layers, placements }: Design): string | undefined {
  const ids = (list: readonly { id: string }[]): Set<string> => new Set(list.map(({ id }) => id));
  const inkIds = ids(inks);
  const layerIds = ids(layers);
  if (inksOfGround(ground).some((ink) => !inkIds.has(ink))) return 'its ground is an ink that it does not have';
  for (const { name, colours } of colourways) {
    if (inks.some(({ id }) => colours[id] === undefined)) return `the colourway “${name}” lacks an ink`;
  }
  if (placements.some(({ layer }) => !layerIds.has(layer))) return 'a motif lies in a layer that it does not have';
  return undefined;
}
