import { layAbout } from './patternMatrix.ts';
import type { Piece, Product } from './product.ts';
import { fillOf, type TryOn, withOrigin } from './tryOn.ts';

/**
 * Does to one try-on what was done to another: its size and angle become the same, and a pattern that was moved is moved as far.
 *
 * A piece of the same name is taken, or the first where there is none.
 */
export function followEdit(before: TryOn, after: TryOn, edited: Product, other: TryOn, product: Product): TryOn {
  let next = other;
  for (const { id } of edited.pieces) {
    const [was, is] = [fillOf(before, id), fillOf(after, id)];
    const piece = product.pieces.find((one) => one.id === id) ?? (product.pieces[0] as Piece);
    if (was.scale !== is.scale || was.rotation !== is.rotation) {
      const { scale, rotation } = is;
      next = layAbout(next, product, piece.id, { scale, rotation }, piece.datum);
    } else if (was.x !== is.x || was.y !== is.y) {
      const { x, y } = fillOf(next, piece.id);
      next = withOrigin(next, piece.id, x + is.x - was.x, y + is.y - was.y);
    }
  }
  return next;
}
