import { array, boolean, lazy, number, object, string, tuple, type InferType, type Lazy, type Schema } from 'yup';
import { type Hex, hexSchema } from '../colour/index.ts';
import type { Matrix } from '../geometry/index.ts';
import { MOST_PALETTE } from '../recipe/index.ts';
import { addressSchema, between, finite, type Immutable, orMissing, taggedUnion } from '../schema/index.ts';
import { viewSchema, type View } from './motif.ts';

/** Groups within groups; a file that nests deeper is refused when it is read. */
const DEEPEST = 200;

const real = finite().required();
const share = between(0, 1);
const pair = tuple([real, real]).required();
/** a to f of the map from (x, y) to (a·x + c·y + e, b·x + d·y + f). */
const matrixSchema = tuple([real, real, real, real, real, real]).required();
const pathSchema = string().defined();
const ruleSchema = string()
  .oneOf(['nonzero', 'evenodd'] as const)
  .required();
const kind = <K extends string>(name: K) => string<K>().oneOf([name]).required();

const stopsSchema = array(object({ offset: share, ink: hexSchema, opacity: share }).noUnknown()).required();

/** A colour slot of the artwork, named by the colour it was drawn in; the design says which ink prints it. */
const inkPaintSchema = object({ kind: kind('ink'), ink: hexSchema, opacity: share }).noUnknown();

/** A gradient along x from `from` to `to` in its own space, mapped into the artwork by `matrix`. Ends are extended. */
const linearPaintSchema = object({
  kind: kind('linear'),
  from: pair,
  to: pair,
  matrix: matrixSchema,
  stops: stopsSchema,
}).noUnknown();

/** A two-point radial gradient from the focus (radius 0) to the circle. */
const radialPaintSchema = object({
  kind: kind('radial'),
  focus: pair,
  centre: pair,
  radius: real,
  matrix: matrixSchema,
  stops: stopsSchema,
}).noUnknown();

const paintSchema = taggedUnion(
  'kind',
  { ink: inkPaintSchema, linear: linearPaintSchema, radial: radialPaintSchema },
  'paint',
);

const strokeSchema = object({
  paint: paintSchema,
  width: real,
  cap: string()
    .oneOf(['butt', 'round', 'square'] as const)
    .required(),
  join: string()
    .oneOf(['miter', 'round', 'bevel'] as const)
    .required(),
  miterLimit: real,
  dash: array(real).required(),
  dashOffset: real,
}).noUnknown();

const pathNodeSchema = object({
  kind: kind('path'),
  path: pathSchema,
  rule: ruleSchema,
  fill: orMissing(paintSchema),
  stroke: orMissing(strokeSchema),
  /** Stroke below the fill. */
  strokeFirst: boolean(),
}).noUnknown();

const clipShapeSchema = object({ path: pathSchema, rule: ruleSchema, matrix: matrixSchema }).noUnknown();

/** A colour of a picture and the slot that prints it, which is named by that colour unless slots were merged. */
const paletteEntrySchema = object({ colour: hexSchema, ink: hexSchema }).noUnknown();
const paletteSchema = array(paletteEntrySchema).min(1).max(MOST_PALETTE);

/** Pixels from the blob store, laid over a rectangle of the artwork's own space. */
const pictureNodeSchema = object({
  kind: kind('picture'),
  /** Content address of the encoded picture. */
  blob: addressSchema,
  x: real,
  y: real,
  width: real,
  height: real,
  /** The colours that its own are taken for mixtures of, so that it follows their inks; it stays as it is without. */
  palette: orMissing(paletteSchema),
}).noUnknown();

/** The schema of nodes that may hold `depth` more levels of groups. Made when it is asked for, since it is endless. */
const nodeSchema = (depth: number): Lazy<ArtworkNode> =>
  lazy((value: unknown): Schema<ArtworkNode> => {
    const isGroup = typeof value === 'object' && value !== null && Reflect.get(value, 'kind') === 'group';
    const schema: unknown = isGroup ? groupSchema(depth) : leafSchema.resolve({ value });
    return schema as Schema<ArtworkNode>;
  }).meta({ name: 'node', anyOf: () => [pathNodeSchema, pictureNodeSchema, groupSchema(depth)] });
const leafSchema = taggedUnion('kind', { path: pathNodeSchema, picture: pictureNodeSchema }, 'node');

const groupSchema = (depth: number) =>
  object({
    kind: kind('group'),
    matrix: matrixSchema,
    opacity: share,
    /** What the group is clipped to is the union of these. */
    clip: array(clipShapeSchema),
    /** How far the edge of the clip fades: the standard deviation of a Gaussian, in the group's own units. */
    softness: orMissing(between(0, 1e6)),
    children: array(nodeSchema(depth - 1))
      .required()
      .test('depth', `more than ${DEEPEST} groups within each other`, () => depth > 0),
  }).noUnknown();

/** The schema of artwork as it is stored: a JSON file under the hash of its text. */
export const artworkSchema = object({
  version: number<1>().oneOf([1]).required(),
  view: viewSchema,
  nodes: array(nodeSchema(DEEPEST)).required(),
})
  .noUnknown()
  .required();

/** Absolute path commands M, L, Q, C, Z in SVG syntax. */
export type PathText = string;

export type InkPaint = Immutable<InferType<typeof inkPaintSchema>>;
export type LinearPaint = Immutable<InferType<typeof linearPaintSchema>>;
export type RadialPaint = Immutable<InferType<typeof radialPaintSchema>>;
export type Paint = InkPaint | LinearPaint | RadialPaint;
export type GradientStop = LinearPaint['stops'][number];
export type Stroke = Immutable<InferType<typeof strokeSchema>>;
export type FillRule = InferType<typeof ruleSchema>;
export type PathNode = Immutable<InferType<typeof pathNodeSchema>>;
export type ClipShape = Immutable<InferType<typeof clipShapeSchema>>;
export type PictureNode = Immutable<InferType<typeof pictureNodeSchema>>;

/** Children under one transform. Stated, since a type cannot be inferred from a schema that holds itself. */
export interface GroupNode {
  readonly kind: 'group';
  readonly matrix: Matrix;
  readonly opacity: number;
  readonly clip?: readonly ClipShape[] | undefined;
  readonly softness?: number | undefined;
  readonly children: readonly ArtworkNode[];
}

export type ArtworkNode = PathNode | GroupNode | PictureNode;

/** What a motif looks like: a tree in its own units, y downwards. Immutable. */
export interface Artwork {
  readonly version: 1;
  readonly view: View;
  readonly nodes: readonly ArtworkNode[];
}

/** Every node of the artwork, parents before children. */
export function* everyNode(nodes: readonly ArtworkNode[]): Generator<ArtworkNode> {
  for (const node of nodes) {
    yield node;
    if (node.kind === 'group') yield* everyNode(node.children);
  }
}

/** Content addresses of all pictures the artwork needs, each once. */
export function picturesOf(artwork: Artwork): string[] {
  const blobs = new Set<string>();
  for (const node of everyNode(artwork.nodes)) if (node.kind === 'picture') blobs.add(node.blob);
  return [...blobs];
}

/** The inks of its shapes alone, each once: a picture with a palette has its inks nowhere pure. */
export function flatInksOf(artwork: Artwork): Hex[] {
  return inksOf({ ...artwork, nodes: [...everyNode(artwork.nodes)].filter(({ kind }) => kind === 'path') });
}

/** Whether a picture of the artwork is printed as it is, by no ink of the design. */
export function hasPlainPicture(artwork: Artwork): boolean {
  for (const node of everyNode(artwork.nodes)) if (node.kind === 'picture' && !node.palette) return true;
  return false;
}

/** The inks the artwork is drawn in, each once, in the order they first appear. */
export function inksOf(artwork: Artwork): Hex[] {
  const inks = new Set<Hex>();
  const add = (paint: Paint | undefined): void => {
    if (paint?.kind === 'ink') inks.add(paint.ink);
    else for (const stop of paint?.stops ?? []) inks.add(stop.ink);
  };
  for (const node of everyNode(artwork.nodes)) {
    if (node.kind === 'picture') for (const { ink } of node.palette ?? []) inks.add(ink);
    if (node.kind !== 'path') continue;
    add(node.fill);
    add(node.stroke?.paint);
  }
  return [...inks];
}
