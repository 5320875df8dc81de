import { strokeOutline } from '../../core/draw/index.ts';
import { type Box, boxAround } from '../../core/geometry/index.ts';
import type { Brush } from '../../core/recipe/index.ts';
import type { PenTrack } from '../editor/drawing.ts';
import { closed } from './drawingCanvas.ts';

/** A stroke under way is drawn in pieces of so many points, of which only the last one is made anew at each frame. */
const PIECE = 600;
/** Pieces overlap by so many points, so that nothing shows where they meet. */
const OVERLAP = 12;

/** The stroke under way as paths, of which most change no more. */
export class PenPieces {
  #pieces: Path2D[] = [];

  clear(): void {
    this.#pieces = [];
  }

  /** The stroke and how far it reaches, mm of the plane. */
  shapeOf({ points, predicted }: PenTrack, brush: Brush): { paths: readonly Path2D[]; box: Box } {
    const from = (piece: number): number => Math.max(0, piece * PIECE - OVERLAP);
    while ((this.#pieces.length + 1) * PIECE + OVERLAP < points.length) {
      const piece = points.slice(from(this.#pieces.length), (this.#pieces.length + 1) * PIECE);
      const inner = { ...untapered(brush, this.#pieces.length > 0), taperEnd: 0 };
      this.#pieces.push(closed(strokeOutline(piece, inner, 1, true)));
    }
    const rest = points.slice(from(this.#pieces.length));
    const outline = strokeOutline([...rest, ...predicted], untapered(brush, this.#pieces.length > 0), 1, false);
    const reach = brush.width;
    const { left, top, right, bottom } = boxAround(points);
    return {
      paths: [...this.#pieces, closed(outline)],
      box: { left: left - reach, top: top - reach, right: right + reach, bottom: bottom + reach },
    };
  }
}

/** The stroke's end is where the pen is now, and the start of a later piece is within the stroke. */
const untapered = (brush: Brush, isLater: boolean): Brush => (isLater ? { ...brush, taperStart: 0 } : brush);
