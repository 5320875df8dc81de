import { seeded, shuffled } from '../random/index.ts';

/** A piece as cells of a raster: which of them it touches. */
export interface PieceMask {
  readonly id: string;
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
}

/** A piece on the cloth: its upper left corner, mm, and whether it lies upside down. */
export interface LaidPiece {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly isTurned: boolean;
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
  readonly id: string;
  readonly width: number;
  readonly height: number;
  readonly area: number;
  /** By row; upright, and turned by half a turn. */
  readonly upright: readonly Runs[];
  readonly turned: readonly Runs[];
}

/**
 * Lays pieces on cloth as short as can be found, step by step, so that a caller can stop: each try takes the pieces in another order and
 * puts each where it lies highest, by their true outlines on a raster.
 *
 * @yields the shortest plan so far, after each try
 * @throws RangeError with a sentence where a piece is wider than the cloth
 */
export function* layingOut(
  masks: readonly PieceMask[],
  wish: LayWish,
  tries: number,
  seed = 1,
): Generator<LayPlan, LayPlan> {
  const columns = Math.floor(wish.width / wish.cell);
  const shapes = masks.map(shapeOf);
  const wide = shapes.find(({ width }) => width > columns);
  if (wide)
    throw new RangeError(
      `The cloth is too narrow for one of the pieces, which is ${Math.ceil(wide.width * wish.cell)} mm wide. Type a wider cloth.`,
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

function shapeOf({ id, width, height, cells }: PieceMask): Shape {
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
  return { id, width, height, area, upright, turned };
}

/** Puts each piece in turn where it lies highest, and of those places leftmost. */
function laid(order: readonly Shape[], columns: number, wish: LayWish, random: () => number): LayPlan {
  const cloth = new Cloth(columns, Math.round(wish.gap / wish.cell));
  const pieces = order.map((shape): LaidPiece => {
    const upright = cloth.find(shape.upright, shape.width);
    const turned = wish.isOneWay ? undefined : cloth.find(shape.turned, shape.width);
    // Of two that end alike either will do, and another try takes the other.
    const isTurned = turned !== undefined && (turned.y < upright.y || (turned.y === upright.y && random() < 0.5));
    const at = isTurned ? turned : upright;
    cloth.lay(isTurned ? shape.turned : shape.upright, at.x, at.y);
    return { id: shape.id, x: at.x * wish.cell, y: at.y * wish.cell, isTurned };
  });
  const length = cloth.length * wish.cell;
  const area = order.reduce((sum, shape) => sum + shape.area, 0) * wish.cell * wish.cell;
  return { pieces, length, used: length > 0 ? area / (length * wish.width) : 0 };
}

/** Cloth with what lies on it, as a raster that grows downwards. */
class Cloth {
  readonly #columns: number;
  readonly #gap: number;
  /** For each cell how many cells to the right of it, itself included, are free. */
  #free: Uint16Array[] = [];
  length = 0;

  constructor(columns: number, gap: number) {
    this.#columns = columns;
    this.#gap = gap;
  }

  /** The highest place, and of those the leftmost, where a shape fits. */
  find(rows: readonly Runs[], width: number): { readonly x: number; readonly y: number } {
    for (let y = 0; ; y += 1) {
      for (let x = 0; x + width <= this.#columns;) {
        const step = this.#blockedFor(rows, x, y);
        if (step === 0) return { x, y };
        x += step;
      }
    }
  }

  lay(rows: readonly Runs[], x: number, y: number): void {
    const gap = this.#gap;
    rows.forEach((runs, n) => {
      for (const [from, to] of runs)
        for (let row = Math.max(0, y + n - gap); row <= y + n + gap; row += 1)
          this.#block(row, Math.max(0, x + from - gap), Math.min(this.#columns, x + to + gap));
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
      this.#free.push(Uint16Array.from({ length: this.#columns }, (_, x) => this.#columns - x));
    const free = this.#free[row] as Uint16Array;
    free.fill(0, from, to);
    for (let x = from - 1; x >= 0 && (free[x] as number) > 0; x -= 1) free[x] = from - x;
  }
}
