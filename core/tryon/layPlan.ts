import type { Point } from '../geometry/index.ts';
import { seeded, shuffled } from '../random/index.ts';

/** A piece as cells of a raster: which of them it touches. */
export interface PieceMask {
  readonly id: string;
  /** Where its first cell begins, mm of its cloth with the grain upright. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Row by row, 1 where the piece is. */
  readonly cells: Uint8Array;
}

/** What pieces are laid on. */
export interface LayWish {
  /** Of the cloth, mm. */
  readonly width: number;
  /** Left free between pieces, mm. */
  readonly gap: number;
  /** Whether the nap or the pattern runs one way, so that no piece may be turned upside down. */
  readonly isOneWay: boolean;
  /** mm to a cell of the masks. */
  readonly cell: number;
  /** What is printed on the cloth, where each piece is to show its part of it; no piece is turned then. */
  readonly printed?: PrintedCloth | undefined;
}

/** A piece on the cloth: its upper left corner, mm, and whether it lies upside down. */
export interface LaidPiece {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly isTurned: boolean;
}

/** Cloth that a pattern is printed on, of which each piece is to show the part that it shows in a try-on. */
export interface PrintedCloth {
  /**
   * Where a piece may lie once another lies somewhere, as a function that gives those places within a stretch of cloth, the highest first and
   * of those the leftmost: its first cell, mm.
   */
  places(first: LaidPiece, mask: PieceMask): (from: number, to: number) => readonly Point[];
}

/** Pieces laid on cloth, all with the grain along it. */
export interface LayPlan {
  readonly pieces: readonly LaidPiece[];
  /** mm of cloth that it takes. */
  readonly length: number;
  /** The share of that cloth which the pieces cover, 0 to 1. */
  readonly used: number;
}

/** Runs of cells of one row: where each begins and ends. */
type Runs = readonly (readonly [from: number, to: number])[];

interface Shape {
  readonly mask: PieceMask;
  readonly area: number;
  /** By row; upright, turned by half a turn, and upright anywhere between the cells. */
  readonly upright: readonly Runs[];
  readonly turned: readonly Runs[];
  readonly between: readonly Runs[];
}

/**
 * Lays pieces on cloth as short as can be found, step by step, so that a caller can stop: each try takes the pieces in another order and
 * puts each where it lies highest, by their true outlines on a raster.
 *
 * @yields the shortest plan so far, after each try
 * @throws RangeError with a sentence where a piece is wider than the cloth, or nowhere shows its part of what is printed
 */
export function* layingOut(
  masks: readonly PieceMask[],
  wish: LayWish,
  tries: number,
  seed = 1,
): Generator<LayPlan, LayPlan> {
  const columns = Math.floor(wish.width / wish.cell);
  const shapes = masks.map(shapeOf);
  const wide = shapes.find(({ mask }) => mask.width > columns);
  if (wide)
    throw new RangeError(
      `The cloth is too narrow for one of the pieces, which is ${Math.ceil(wide.mask.width * wish.cell)} mm wide. Type a wider cloth.`,
    );
  const random = seeded(seed);
  const byArea = [...shapes].sort((a, b) => b.area - a.area);
  let best: LayPlan | undefined;
  for (let n = 0; n < Math.max(1, tries); n += 1) {
    // The largest first, then any order.
    const order = n === 0 ? byArea : shuffled(shapes, random);
    const plan = laid(order, columns, wish, n === 0 ? () => 1 : random);
    if (!best || plan.length < best.length) best = plan;
    yield best;
  }
  return best as LayPlan;
}

function shapeOf(mask: PieceMask): Shape {
  const { width, height, cells } = mask;
  const upright: Runs[] = [];
  let area = 0;
  for (let y = 0; y < height; y += 1) {
    const runs: [number, number][] = [];
    for (let x = 0; x < width; x += 1) {
      if (!cells[y * width + x]) continue;
      area += 1;
      const last = runs.at(-1);
      if (last && last[1] === x) last[1] = x + 1;
      else runs.push([x, x + 1]);
    }
    upright.push(runs);
  }
  const turned = [...upright]
    .reverse()
    .map((runs): Runs => [...runs].reverse().map(([from, to]) => [width - to, width - from] as const));
  return { mask, area, upright, turned, between: spread(upright) };
}

/** The cells that a piece touches wherever it lies between its own and the next to the right and below. */
function spread(rows: readonly Runs[]): Runs[] {
  return Array.from({ length: rows.length + 1 }, (_, n) => {
    const both = [...(rows[n - 1] ?? []), ...(rows[n] ?? [])].map(([from, to]) => [from, to + 1] as [number, number]);
    both.sort((p, q) => p[0] - q[0]);
    const runs: [number, number][] = [];
    for (const [from, to] of both) {
      const last = runs.at(-1);
      if (last && from <= last[1]) last[1] = Math.max(last[1], to);
      else runs.push([from, to]);
    }
    return runs;
  });
}

/** Puts each piece in turn where it lies highest, and of those places leftmost. */
function laid(order: readonly Shape[], columns: number, wish: LayWish, random: () => number): LayPlan {
  const cloth = new Cloth(columns, Math.round(wish.gap / wish.cell));
  const { cell, printed } = wish;
  /** Where the first piece lies, and with it what is printed. */
  let first: LaidPiece | undefined;
  const pieces = order.map(({ mask, upright, turned, between }): LaidPiece => {
    const { id, width } = mask;
    if (printed && first) {
      const place = placeInPrint(cloth, { mask, upright, between }, printed.places(first, mask), cell);
      cloth.lay(place.rows, Math.floor(place.x / cell), Math.floor(place.y / cell));
      return { id, x: place.x, y: place.y, isTurned: false };
    }
    const high = cloth.find(upright, width);
    const other = wish.isOneWay || printed ? undefined : cloth.find(turned, width);
    // Of two that end alike either will do, and another try takes the other.
    const isTurned = other !== undefined && (other.y < high.y || (other.y === high.y && random() < 0.5));
    const at = isTurned ? other : high;
    cloth.lay(isTurned ? turned : upright, at.x, at.y);
    const piece = { id, x: at.x * cell, y: at.y * cell, isTurned };
    first ??= piece;
    return piece;
  });
  const length = cloth.length * wish.cell;
  const area = order.reduce((sum, shape) => sum + shape.area, 0) * wish.cell * wish.cell;
  return { pieces, length, used: length > 0 ? area / (length * wish.width) : 0 };
}

/** The highest of some places at which a piece fits, and of those the leftmost. @throws RangeError where there is none */
function placeInPrint(
  cloth: Cloth,
  { mask, upright, between }: Pick<Shape, 'mask' | 'upright' | 'between'>,
  places: (from: number, to: number) => readonly Point[],
  cell: number,
): Point & { readonly rows: readonly Runs[] } {
  const width = mask.width * cell;
  // As many mm of cloth are looked at in one go; beyond what lies there already every place is free.
  const reach = Math.max(200, mask.height * cell);
  for (let from = 0; from <= cloth.length * cell + FARTHEST; from += reach)
    for (const place of places(from, from + reach)) {
      if (place.x + width > cloth.columns * cell) continue;
      const rows = place.x % cell === 0 && place.y % cell === 0 ? upright : between;
      if (cloth.fits(rows, Math.floor(place.x / cell), Math.floor(place.y / cell))) return { ...place, rows };
    }
  throw new RangeError(
    'The cloth is too narrow for one of the pieces to show the pattern as it lies on it. Type a wider cloth, or let the pattern fall as it will.',
  );
}

/** A repeat that is longer than this, mm, is not waited for. */
const FARTHEST = 20_000;

/** Cloth with what lies on it, as a raster that grows downwards. */
class Cloth {
  readonly columns: number;
  readonly #gap: number;
  /** For each cell how many cells to the right of it, itself included, are free. */
  #free: Uint16Array[] = [];
  length = 0;

  constructor(columns: number, gap: number) {
    this.columns = columns;
    this.#gap = gap;
  }

  /** The highest place, and of those the leftmost, where a shape fits. */
  find(rows: readonly Runs[], width: number): { readonly x: number; readonly y: number } {
    for (let y = 0; ; y += 1) {
      for (let x = 0; x + width <= this.columns;) {
        const step = this.#blockedFor(rows, x, y);
        if (step === 0) return { x, y };
        x += step;
      }
    }
  }

  fits(rows: readonly Runs[], x: number, y: number): boolean {
    return this.#blockedFor(rows, x, y) === 0;
  }

  lay(rows: readonly Runs[], x: number, y: number): void {
    const gap = this.#gap;
    rows.forEach((runs, n) => {
      for (const [from, to] of runs)
        for (let row = Math.max(0, y + n - gap); row <= y + n + gap; row += 1)
          this.#block(row, Math.max(0, x + from - gap), Math.min(this.columns, x + to + gap));
    });
    this.length = Math.max(this.length, y + rows.length);
  }

  /** 0 where a shape fits, else how many cells farther right it has to be tried next. */
  #blockedFor(rows: readonly Runs[], x: number, y: number): number {
    for (let n = 0; n < rows.length; n += 1) {
      const free = this.#free[y + n];
      if (!free) return 0;
      for (const [from, to] of rows[n] as Runs) {
        const room = free[x + from] as number;
        // As far as what is in the way: nothing nearer can fit either.
        if (room < to - from) return room + 1;
      }
    }
    return 0;
  }

  #block(row: number, from: number, to: number): void {
    while (this.#free.length <= row)
      this.#free.push(Uint16Array.from({ length: this.columns }, (_, x) => this.columns - x));
    const free = this.#free[row] as Uint16Array;
    free.fill(0, from, to);
    for (let x = from - 1; x >= 0 && (free[x] as number) > 0; x -= 1) free[x] = from - x;
  }
}
