import {
  compose,
  invert,
  type Matrix,
  type Point,
  rotationMatrix,
  scalingMatrix,
  transform,
  translationMatrix,
} from '../geometry/index.ts';
import type { Piece, Product } from './product.ts';
import { type Fill, fillOf, type TryOn, withLay, withOrigin } from './tryOn.ts';

type Hung = Pick<Piece, 'datum' | 'grain'>;
type Lie = Pick<Fill, 'scale' | 'rotation' | 'x' | 'y'>;

/** From mm of the pattern to mm of a piece's cloth. */
export function patternOntoCloth({ datum, grain }: Hung, { scale, rotation, x, y }: Lie): Matrix {
  return compose(
    translationMatrix(datum.x + x, datum.y + y),
    compose(rotationMatrix(rotation + grain), scalingMatrix(scale, scale)),
  );
}

/** From mm of a piece's cloth to mm of the pattern. */
export function clothOntoPattern(piece: Hung, lie: Lie): Matrix {
  const back = invert(patternOntoCloth(piece, lie));
  if (!back) throw new RangeError('a pattern needs a size');
  return back;
}

/**
 * Scales and turns the pattern about a point of one piece's cloth. Pieces that share its size and angle go along, each about its own datum.
 *
 * @param about mm of the piece's cloth
 */
export function layAbout(
  tryOn: TryOn,
  product: Product,
  piece: string,
  lay: Partial<Pick<Fill, 'scale' | 'rotation'>>,
  about: Point,
): TryOn {
  let next = withLay(tryOn, piece, lay);
  for (const other of product.pieces) {
    const [before, after] = [fillOf(tryOn, other.id), fillOf(next, other.id)];
    if (before.scale === after.scale && before.rotation === after.rotation) continue;
    const fixed = other.id === piece ? about : other.datum;
    const held = transform(clothOntoPattern(other, before), fixed);
    const { x, y } = transform(patternOntoCloth(other, { ...after, x: 0, y: 0 }), held);
    next = withOrigin(next, other.id, fixed.x - x, fixed.y - y);
  }
  return next;
}

/** Moves the pattern on a piece so that a point of the pattern, mm, comes to lie at a point of the cloth. */
export function hangAt(tryOn: TryOn, piece: Piece, pattern: Point, cloth: Point): TryOn {
  const { x, y } = transform(patternOntoCloth(piece, { ...fillOf(tryOn, piece.id), x: 0, y: 0 }), pattern);
  return withOrigin(tryOn, piece.id, cloth.x - x, cloth.y - y);
}
