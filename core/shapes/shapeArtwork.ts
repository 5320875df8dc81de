import { type Box, boxAround, compose, type Matrix, rotationMatrix, translationMatrix } from '../geometry/index.ts';
import { type Artwork, pathBounds, type PathNode, type PathText, viewOfBox, transformPath } from '../motif/index.ts';
import type { Piece, ShapeRecipe } from '../recipe/index.ts';
import { combinePaths } from './combine.ts';
import { fillPaint } from './fade.ts';
import { measured, type Values } from './figure.ts';
import { FIGURES } from './figures.ts';

/** Outlines words in a shipped font. */
export type Letterer = (font: string, text: string, values: Values) => PathText;

/** Thrown where the pieces leave nothing to see. */
export class EmptyShapeError extends Error {
  constructor() {
    super(
      'These pieces leave nothing to see. Nothing was changed; give one of them a fill or an outline, or change how they meet.',
    );
  }
}

/** A piece's outline where it lies, mm. */
export function pieceOutline(piece: Piece, letter: Letterer): PathText {
  const figure = FIGURES[piece.figure];
  const values = measured(figure, piece.values);
  const outline = piece.figure === 'lettering' ? letter(piece.font, piece.text, values) : figure.outline(values);
  const matrix: Matrix = compose(translationMatrix(piece.x, piece.y), rotationMatrix(piece.rotation));
  return transformPath(outline, matrix);
}

/** The outlines of a built motif, each with the piece that it begins with, whose fill it has; bottom to top, mm. */
export function outlinesOf({ pieces }: ShapeRecipe, letter: Letterer): readonly { piece: Piece; path: PathText }[] {
  const shapes: { piece: Piece; path: PathText }[] = [];
  for (const piece of pieces) {
    const path = pieceOutline(piece, letter);
    const last = shapes.at(-1);
    if (piece.combine === 'lay' || !last) shapes.push({ piece, path });
    else last.path = combinePaths(last.path, path, piece.combine);
  }
  return shapes;
}

/**
 * The artwork of a built motif, in mm. Pieces that meet others are one outline with all before them, back to the last
 * that was laid, whose fill and outline they take.
 *
 * @throws EmptyShapeError
 */
export function shapeArtwork(recipe: ShapeRecipe, letter: Letterer): Artwork {
  const shapes = outlinesOf(recipe, letter);
  const boxes: Box[] = [];
  const nodes: PathNode[] = [];
  for (const { piece, path } of shapes) {
    const { fill, outline } = piece;
    const box = path ? pathBounds(path) : undefined;
    if (!box || (!fill && !outline)) continue;
    const half = (outline?.width ?? 0) / 2;
    boxes.push({ left: box.left - half, top: box.top - half, right: box.right + half, bottom: box.bottom + half });
    nodes.push({
      kind: 'path',
      path,
      rule: 'nonzero',
      ...(fill && { fill: fillPaint(fill, box, piece) }),
      ...(outline && {
        stroke: {
          paint: { kind: 'ink', ink: outline.ink, opacity: 1 },
          width: outline.width,
          cap: 'round',
          join: 'round',
          miterLimit: 4,
          dash: [],
          dashOffset: 0,
        },
      }),
    });
  }
  if (boxes.length === 0) throw new EmptyShapeError();
  const all = boxAround(
    boxes.flatMap(({ left, top, right, bottom }) => [
      { x: left, y: top },
      { x: right, y: bottom },
    ]),
  );
  return {
    version: 1,
    view: viewOfBox(all),
    nodes,
  };
}
