import type { Box } from '../../geometry/index.ts';
import type { PixelGrid } from '../../lattice/index.ts';
import { hashed, hashedNext, unitOf } from '../../random/index.ts';

/** Soft strokes, scattered evenly over the cloth; lengths in mm. */
export interface Strokes {
  readonly length: number;
  readonly width: number;
  /** Degrees clockwise from level, and how far strokes lie from that at the most. */
  readonly angle: number;
  readonly spread: number;
  /** One stroke is in every such rectangle. */
  readonly every: { readonly x: number; readonly y: number };
}

/** The narrowest that a stroke is drawn, pixels from its middle to its edge; below, it is paler instead. */
const NARROWEST = 0.75;
/** Strokes that would lie closer, pixels, are fewer and stronger. */
const FINEST = 0.75;

/**
 * Adds strokes of either sign to a part of the cloth, such that the sum has the variance 1 where strokes are wider than pixels.
 *
 * There is one stroke in each cell of a grid that closes on the lattice, and all that it is depends on the seed and the
 * place of its cell in the upright domain: so it is the same in every instance, whichever part of the plane is painted.
 *
 * @param part pixels of the lattice's upright domain
 * @param into a value for each pixel of the part, row after row
 */
export function addStrokes(
  strokes: Strokes,
  seed: number,
  { lattice, cell, scaleX, scaleY }: PixelGrid,
  part: Box,
  into: Float32Array,
): void {
  const { domain } = lattice;
  const { p, q } = cell.step.drop;
  const inColumns = domain.stacked === 'columns';
  const fewer = Math.max(1, FINEST / (strokes.every.x * scaleX), FINEST / (strokes.every.y * scaleY));
  const columns = multiple(domain.width / (strokes.every.x * scaleX * fewer), inColumns ? 1 : q);
  const rows = multiple(domain.height / (strokes.every.y * scaleY * fewer), inColumns ? q : 1);
  const cellWidth = domain.width / columns;
  const cellHeight = domain.height / rows;
  const along = Math.max(NARROWEST, (strokes.length / 2) * scaleX);
  const beside = Math.max(NARROWEST, (strokes.width / 2) * scaleY);
  const pale = ((strokes.length / 2) * scaleX * (strokes.width / 2) * scaleY) / (along * beside);
  // The integral of (1 - r²)⁴ over the ellipse is its area over 5; amplitudes from -1 to 1 have the variance 1/3.
  const area = (Math.PI * strokes.length * strokes.width) / 4;
  const strength = (fewer * pale) / Math.sqrt(area / 15 / (strokes.every.x * strokes.every.y));
  const reach = Math.max(along, beside) + 1;
  const [radians, spread] = [(strokes.angle * Math.PI) / 180, (strokes.spread * Math.PI) / 180];
  const straight = turnOf(radians);
  for (let y = Math.floor((part.top - reach) / cellHeight); y * cellHeight < part.bottom + reach; y++)
    for (let x = Math.floor((part.left - reach) / cellWidth); x * cellWidth < part.right + reach; x++) {
      // The cell in the domain that this one is an instance of.
      const [overX, overY] = [Math.floor(x / columns), Math.floor(y / rows)];
      const ownX = modulo(inColumns ? x : x - (overY * columns * p) / q, columns);
      const ownY = modulo(inColumns ? y - (overX * rows * p) / q : y, rows);
      let hash = hashed(seed, ownX, ownY);
      const next = (): number => unitOf((hash = hashedNext(hash)));
      const centreX = (x + next()) * cellWidth;
      const centreY = (y + next()) * cellHeight;
      const turn = spread === 0 ? straight : turnOf(radians + spread * (2 * next() - 1));
      const amplitude = strength * (2 * next() - 1);
      addStroke(into, part, { centreX, centreY, along, beside, turn, amplitude });
    }
}

interface Turn {
  readonly cos: number;
  readonly sin: number;
}

const turnOf = (angle: number): Turn => ({ cos: Math.cos(angle), sin: Math.sin(angle) });

interface Stroke {
  readonly centreX: number;
  readonly centreY: number;
  /** Half its length and width, pixels. */
  readonly along: number;
  readonly beside: number;
  readonly turn: Turn;
  readonly amplitude: number;
}

/** Adds (1 - r²)², where r is 1 at the edge of the stroke. */
function addStroke(into: Float32Array, part: Box, stroke: Stroke): void {
  const { centreX, centreY, along, beside, amplitude } = stroke;
  const { cos, sin } = stroke.turn;
  const tall = Math.sqrt((along * sin) ** 2 + (beside * cos) ** 2);
  const top = Math.max(part.top, Math.ceil(centreY - tall - 0.5));
  const bottom = Math.min(part.bottom, Math.floor(centreY + tall + 0.5));
  const width = part.right - part.left;
  // In a row the stroke is where a·dx² + 2b·dx·dy + c·dy² < 1.
  const a = (cos / along) ** 2 + (sin / beside) ** 2;
  const b = cos * sin * (1 / along ** 2 - 1 / beside ** 2);
  const c = (sin / along) ** 2 + (cos / beside) ** 2;
  for (let y = top; y < bottom; y++) {
    const dy = y + 0.5 - centreY;
    const root = b * b * dy * dy - a * (c * dy * dy - 1);
    if (root <= 0) continue;
    const middle = centreX - (b * dy) / a;
    const half = Math.sqrt(root) / a;
    const left = Math.max(part.left, Math.ceil(middle - half - 0.5));
    const right = Math.min(part.right, Math.floor(middle + half + 0.5));
    for (let x = left; x < right; x++) {
      const dx = x + 0.5 - centreX;
      const rest = 1 - (a * dx * dx + 2 * b * dx * dy + c * dy * dy);
      if (rest <= 0) continue;
      const at = (y - part.top) * width + x - part.left;
      into[at] = (into[at] as number) + amplitude * rest * rest;
    }
  }
}

const multiple = (value: number, of: number): number => Math.max(1, Math.round(value / of)) * of;
const modulo = (value: number, by: number): number => ((value % by) + by) % by;
