import { type Box, boxAround, compose, cornersOfBox, invert, type Matrix, transform } from '../geometry/index.ts';
import { type ArtworkNode, type ClipShape, pathBounds, unionOf } from '../motif/index.ts';
import { faceMap } from './face/index.ts';
import { patternOntoCloth } from './patternMatrix.ts';
import type { Piece, Product } from './product.ts';
import type { ProductDrawing } from './stage.ts';
import { type Fill, fillOf, type TryOn } from './tryOn.ts';

/** A piece of cloth that lies flat, in mm of its cloth. */
export interface FlatOutline {
  readonly piece: Piece;
  /** Its outline is what these cover together. */
  readonly outline: readonly ClipShape[];
  readonly bounds: Box;
  /** From mm of the cloth to units of the drawing. */
  readonly ontoDrawing: Matrix;
}

/** The same with how its pattern lies on it. */
export interface FlatPiece extends FlatOutline {
  readonly fill: Fill;
  /** From mm of the pattern to mm of the cloth. */
  readonly ontoCloth: Matrix;
}

/** The pieces of a product whose cloth lies flat, bottom to top, without the others. */
export function flatOutlines({ pieces }: Product, { outlines }: ProductDrawing): FlatOutline[] {
  return pieces.flatMap((piece): FlatOutline[] => {
    const drawn = outlines.find(({ id }) => id === piece.id);
    if (piece.face.kind !== 'flat' || !drawn) return [];
    const { toScene } = faceMap(piece.face);
    const [origin, right, down] = [toScene(0, 0), toScene(1, 0), toScene(0, 1)];
    const ontoDrawing: Matrix = [
      right.x - origin.x,
      right.y - origin.y,
      down.x - origin.x,
      down.y - origin.y,
      origin.x,
      origin.y,
    ];
    const back = invert(ontoDrawing);
    if (!back) return [];
    const outline = shapesIn(drawn.artwork.nodes, back);
    const bounds = unionOf(outline.map(({ path, matrix }) => pathBounds(path, matrix)));
    return bounds ? [{ piece, outline, bounds, ontoDrawing }] : [];
  });
}

/**
 * The pieces of a product whose cloth all lies flat, bottom to top, with their patterns.
 *
 * @throws RangeError with a sentence where one does not lie flat, since no shapes can show it as it is seen
 */
export function flatPieces(product: Product, drawing: ProductDrawing, tryOn: TryOn): FlatPiece[] {
  const bent = product.pieces.find(({ face }) => face.kind !== 'flat');
  if (bent)
    throw new RangeError(
      `“${bent.name}” of “${product.name}” does not lie flat, so it can only be shown in pixels. Choose PNG, JPEG or WebP.`,
    );
  return flatOutlines(product, drawing).map((outlined) => {
    const fill = fillOf(tryOn, outlined.piece.id);
    return { ...outlined, fill, ontoCloth: patternOntoCloth(outlined.piece, fill) };
  });
}

/** The part of the pattern that is seen in a part of a piece, mm of the pattern. @param part mm of the cloth */
export function patternIn({ ontoCloth }: Pick<FlatPiece, 'ontoCloth'>, part: Box): Box {
  const back = invert(ontoCloth);
  if (!back) throw new RangeError('a pattern needs a size');
  return boxAround(cornersOfBox(part).map((corner) => transform(back, corner)));
}

function shapesIn(nodes: readonly ArtworkNode[], matrix: Matrix): ClipShape[] {
  return nodes.flatMap((node): ClipShape[] => {
    if (node.kind === 'group') return shapesIn(node.children, compose(matrix, node.matrix));
    return node.kind === 'path' ? [{ path: node.path, rule: node.rule, matrix }] : [];
  });
}
