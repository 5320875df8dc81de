import { array, number, object, type InferType } from 'yup';
import { normaliseAngle } from '../geometry/index.ts';
import { between, distinctById, idSchema, type Immutable, nameSchema, whole, ofWhole } from '../schema/index.ts';
import { MOST_PIECES, type Piece, type Product } from './product.ts';
import { wallSchema } from './rolls.ts';

/** Whether a source names either a design or a swatch. */
export function namesOneSource(source: { readonly design?: unknown; readonly swatch?: unknown }): boolean {
  return (source.design === undefined) !== (source.swatch === undefined);
}

/** The pattern's size on the product, as a share of its true size. */
export const [LEAST_SCALE, MOST_SCALE] = [0.02, 50];

export const patternSourceFields = {
  design: idSchema.optional(),
  swatch: idSchema.optional(),
  /** Of the swatch; it follows the newest where missing. */
  version: whole(1, 1e6).optional(),
  /** The base where missing. */
  colourway: idSchema.optional(),
};

/** What is tried on: a design as it is now, or a swatch. */
export const patternSourceSchema = object(patternSourceFields)
  .noUnknown()
  // Where it may be missing, so may what it names.
  .test(
    'one-source',
    'it has to name a design or a swatch',
    ofWhole((source?: object) => !source || namesOneSource(source)),
  );
export type PatternSource = Immutable<InferType<typeof patternSourceSchema>>;

const layFields = {
  /** 1 is true size. */
  scale: between(LEAST_SCALE, MOST_SCALE),
  /** Degrees clockwise from the grain line. */
  rotation: between(-180, 180),
};

const parted = object({
  /** The piece. */
  id: idSchema,
  /** Its own pattern; that of all pieces where missing. */
  source: patternSourceSchema.optional().default(undefined),
  /** Its own size and angle; those of all pieces where missing. */
  lay: object(layFields).noUnknown().optional().default(undefined),
  /** Where the pattern's own (0, 0) lies on its cloth, mm from its datum. */
  x: between(-1e5, 1e5),
  y: between(-1e5, 1e5),
}).noUnknown();

/** The schema of a try-on as it is stored. */
export const tryOnSchema = object({
  version: number<1>().oneOf([1]).required(),
  name: nameSchema,
  product: idSchema,
  /** What all pieces are made of, unless they have their own. */
  source: patternSourceSchema.required(),
  ...layFields,
  /** Of a wall, how large it is and what it is papered with. */
  wall: wallSchema.optional().default(undefined),
  /** What differs on single pieces. */
  pieces: distinctById(array(parted).required().max(MOST_PIECES), 'pieces'),
})
  .noUnknown()
  .required();

/** A pattern on a product. Lengths in mm, angles in degrees clockwise. Immutable. */
export type TryOn = Immutable<InferType<typeof tryOnSchema>>;

/** The pattern as it lies on one piece. */
export interface Fill {
  readonly source: PatternSource;
  readonly scale: number;
  readonly rotation: number;
  /** mm of the piece's cloth from its datum. */
  readonly x: number;
  readonly y: number;
  /** Whether it has a size and an angle of its own. */
  readonly isParted: boolean;
}

/** A new try-on: everything at true size, along the grain. */
export function newTryOn(name: string, product: Product, source: PatternSource): TryOn {
  return { version: 1, name, product: product.id, source, scale: 1, rotation: 0, pieces: [] };
}

/** How the pattern lies on a piece. */
export function fillOf(tryOn: TryOn, piece: string): Fill {
  const own = tryOn.pieces.find(({ id }) => id === piece);
  const { scale, rotation } = own?.lay ?? tryOn;
  return {
    source: own?.source ?? tryOn.source,
    scale,
    rotation,
    x: own?.x ?? 0,
    y: own?.y ?? 0,
    isParted: own?.lay !== undefined,
  };
}

/** Moves the pattern on one piece: where its (0, 0) lies, mm from the piece's datum. */
export function withOrigin(tryOn: TryOn, piece: string, x: number, y: number): TryOn {
  return withOwn(tryOn, piece, { x, y });
}

/** Gives the pattern a size and an angle: on one piece that has its own, else on all that share them. */
export function withLay(tryOn: TryOn, piece: string, lay: Partial<Pick<Fill, 'scale' | 'rotation'>>): TryOn {
  const { scale, rotation, isParted } = fillOf(tryOn, piece);
  const next = { scale: lay.scale ?? scale, rotation: lay.rotation ?? rotation };
  const within = {
    scale: Math.min(MOST_SCALE, Math.max(LEAST_SCALE, next.scale)),
    rotation: normaliseAngle(next.rotation),
  };
  return isParted ? withOwn(tryOn, piece, { lay: within }) : { ...tryOn, ...within };
}

/** Gives a piece a size and an angle of its own, which are those that it has, or takes them away again. */
export function partPiece(tryOn: TryOn, piece: string, isParted: boolean): TryOn {
  const { scale, rotation } = fillOf(tryOn, piece);
  return withOwn(tryOn, piece, { lay: isParted ? { scale, rotation } : undefined });
}

/** Gives one piece a pattern of its own, or that of all again. */
export function withPieceSource(tryOn: TryOn, piece: string, source: PatternSource | undefined): TryOn {
  return withOwn(tryOn, piece, { source });
}

/** Puts the pattern on another product, at the size it has; what was arranged on single pieces goes with those. */
export function onProduct(tryOn: TryOn, product: Product): TryOn {
  const there = new Set(product.pieces.map(({ id }) => id));
  return { ...tryOn, product: product.id, pieces: tryOn.pieces.filter(({ id }) => there.has(id)) };
}

/** The patterns of a product's pieces, each once. */
export function sourcesOf(tryOn: TryOn, pieces: readonly Pick<Piece, 'id'>[]): PatternSource[] {
  const sources = pieces.map(({ id }) => fillOf(tryOn, id).source);
  return [...new Map(sources.map((source) => [sourceKey(source), source])).values()];
}

/** The same text for the same pattern. */
export function sourceKey({ design, swatch, version, colourway }: PatternSource): string {
  return [design ?? '', swatch ?? '', version ?? '', colourway ?? ''].join('/');
}

function withOwn(tryOn: TryOn, piece: string, change: Partial<TryOn['pieces'][number]>): TryOn {
  const own = tryOn.pieces.find(({ id }) => id === piece);
  const next = { ...(own ?? { id: piece, source: undefined, lay: undefined, x: 0, y: 0 }), ...change };
  const pieces = own ? tryOn.pieces.map((one) => (one === own ? next : one)) : [...tryOn.pieces, next];
  return { ...tryOn, pieces };
}
