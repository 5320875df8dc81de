import { cutText } from '../schema/index.ts';
import { ValidationError } from 'yup';
import { type Design, DESIGN_VERSION, designSchema } from './design.ts';
import { requireWithinLimits } from './checkLimits.ts';
import { faultOf } from './faultOf.ts';
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
        typeof version === 'number'
          ? `This design has the version ${version}, which this Hevrel cannot read. Use a newer one.`
          : 'This is not a design: it does not say which version of the format it has.',
      );
    current = asDesign(current, migrate);
  }
  current = asDesign(current, withDistinctIds);
  let design: Design;
  try {
    design = designSchema.validateSync(current, { strict: true });
  } catch (error) {
    if (error instanceof ValidationError) throw new DesignError(`This design cannot be read: ${error.message}.`);
    throw error;
  }
  const fault = faultOf(design);
  if (fault) throw new DesignError(`This design cannot be read: ${fault}.`);
  return { ...design, placements: sortByLayer(design.layers, design.placements) };
}

/** Lists whose things are told apart by id. */
const DISTINCT = ['inks', 'colourways', 'layers', 'guides', 'placements'] as const;

/**
 * Earlier versions could take one id twice. A second motif of an id stays on the cloth under another; of all else the second says
 * nothing that the first does not, since it is looked up by its id.
 */
function withDistinctIds(document: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const healed: Record<string, unknown> = { ...document };
  for (const list of DISTINCT) {
    const items = document[list];
    if (!Array.isArray(items)) continue;
    const taken = new Set<unknown>(items.map((item: unknown) => (isObject(item) ? item['id'] : undefined)));
    if (taken.size === items.length) continue;
    const seen = new Set<unknown>();
    healed[list] = objectsOf(items).flatMap((item) => {
      const { id } = item;
      if (!seen.has(id)) {
        seen.add(id);
        return [item];
      }
      if (list !== 'placements') return [];
      let n = 2;
      while (taken.has(`${cutText(String(id), 56)}-${n}`)) n += 1;
      const other = `${cutText(String(id), 56)}-${n}`;
      taken.add(other);
      return [{ ...item, id: other }];
    });
  }
  return healed;
}

/** A step of opening a document. @throws DesignError where it has not got what documents of its version have */
function asDesign(document: Readonly<Record<string, unknown>>, step: Migration): Record<string, unknown> {
  try {
    return step(document);
  } catch (error) {
    if (error instanceof TypeError || error instanceof RangeError)
      throw new DesignError('This design is damaged: it does not hold what designs of its version hold.');
    throw error;
  }
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}

function withFlipped(recipe: unknown): unknown {
  if (!isObject(recipe)) return recipe;
  const { mirrored, ...rest } = recipe;
  return { ...rest, flipped: mirrored };
}

/**
 * Reads a design that comes from elsewhere.
 *
 * @throws DesignError where it is none; CommandError where it holds more than a design can
 */
export function openWithinLimits(document: unknown): Design {
  const design = openDesign(document);
  requireWithinLimits(design);
  return design;
}

function objectsOf(list: unknown): Record<string, unknown>[] {
  return Array.isArray(list) ? list.map((one: unknown) => Object(one) as Record<string, unknown>) : [];
}
