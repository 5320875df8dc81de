import type { Hex } from '../colour/index.ts';
import type { Matrix } from '../geometry/index.ts';
import type { View } from './motif.ts';

/** A colour slot of the artwork, named by the colour it was drawn in; the design says which ink prints it. */
export interface InkPaint {
  readonly kind: 'ink';
  readonly ink: Hex;
  /** 0 to 1. */
  readonly opacity: number;
}

export interface GradientStop {
  readonly offset: number;
  readonly ink: Hex;
  readonly opacity: number;
}

/** A gradient along x from `from` to `to` in its own space, mapped into the artwork by `matrix`. Ends are extended. */
export interface LinearPaint {
  readonly kind: 'linear';
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly matrix: Matrix;
  readonly stops: readonly GradientStop[];
}

/** A two-point radial gradient from the focus (radius 0) to the circle. */
export interface RadialPaint {
  readonly kind: 'radial';
  readonly focus: readonly [number, number];
  readonly centre: readonly [number, number];
  readonly radius: number;
  readonly matrix: Matrix;
  readonly stops: readonly GradientStop[];
}

export type Paint = InkPaint | LinearPaint | RadialPaint;

export interface Stroke {
  readonly paint: Paint;
  readonly width: number;
  readonly cap: 'butt' | 'round' | 'square';
  readonly join: 'miter' | 'round' | 'bevel';
  readonly miterLimit: number;
  readonly dash: readonly number[];
  readonly dashOffset: number;
}

/** Absolute path commands M, L, Q, C, Z in SVG syntax. */
export type PathText = string;
export type FillRule = 'nonzero' | 'evenodd';

export interface PathNode {
  readonly kind: 'path';
  readonly path: PathText;
  readonly rule: FillRule;
  readonly fill?: Paint;
  readonly stroke?: Stroke;
  /** Stroke below the fill. */
  readonly strokeFirst?: boolean;
}

export interface ClipShape {
  readonly path: PathText;
  readonly rule: FillRule;
  readonly matrix: Matrix;
}

/** Children under one transform. What a group is clipped to is the union of `clip`. */
export interface GroupNode {
  readonly kind: 'group';
  readonly matrix: Matrix;
  readonly opacity: number;
  readonly clip?: readonly ClipShape[];
  readonly children: readonly ArtworkNode[];
}

/** Pixels from the blob store, laid over `view` of the artwork's own space. */
export interface PictureNode {
  readonly kind: 'picture';
  /** Content address of the encoded picture. */
  readonly blob: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export type ArtworkNode = PathNode | GroupNode | PictureNode;

/** What a motif looks like: a tree in its own units, y downwards. Immutable; stored under the hash of its JSON. */
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

/** The inks the artwork is drawn in, each once, in the order they first appear. */
export function inksOf(artwork: Artwork): Hex[] {
  const inks = new Set<Hex>();
  const add = (paint: Paint | undefined): void => {
    if (paint?.kind === 'ink') inks.add(paint.ink);
    else for (const stop of paint?.stops ?? []) inks.add(stop.ink);
  };
  for (const node of everyNode(artwork.nodes)) {
    if (node.kind !== 'path') continue;
    add(node.fill);
    add(node.stroke?.paint);
  }
  return [...inks];
}
