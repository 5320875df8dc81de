import { totalmem } from 'node:os';
import { exportPlan } from '../../core/export/index.ts';
import type { PaintTask } from '../paint/paintTasks.ts';
import type { Task } from './tasks.ts';

const MB = 1024 * 1024;
/** Resident memory of a process of the pool before it has done anything, with its engines loaded. */
const EMPTY = 300 * MB;
/** What a pixel takes of what is painted at a time, bytes: the canvas, its pixels read back, those filtered and deflated. */
const PER_PIXEL = 14;
/** Of a page, at most so many pixels are painted at a time. */
const AT_A_TIME = 1 << 24;
/** A cell of at most so many pixels is kept while it is laid. */
const KEPT_CELL = 1 << 26;
/** What the threads take that paint and deflate a large file. */
const THREADS = 500 * MB;
/** What an encoder holds of each pixel of the file, bytes. */
const HELD = { png: 0, tiff: 1, jpeg: 1, webp: 18 } as const;

/** What exports under way may take together: more wait for their turn. */
export const EXPORT_BUDGET = Math.min(6 * 1024 * MB, totalmem() / 2);

/** What a task may take, and what is said where it takes more. */
export interface Limits {
  /** From when the work begins; waiting does not count. */
  readonly ms: number;
  /** Resident memory of its process, bytes. */
  readonly memory: number;
  /** What was being done, as the beginning of a sentence. */
  readonly doing: string;
  /** What was kept, and what can be done. */
  readonly advice: string;
}

const DRAWING = 'Nothing was changed; simplify the drawing and import it again.';
const SENT = 'Nothing was changed; send less at a time.';
const KEPT = 'The studio is as it was; try again.';
const SHEET = 'The sheet is kept as it was; scan it at a lower density, or change a step, and try again.';

const LIMITS: { readonly [K in Exclude<Task['kind'], 'paint'>]: Limits } = {
  vector: {
    ms: 300_000,
    memory: 3000 * MB,
    doing: 'Writing this file',
    advice: 'The design is kept as it is; choose a smaller extent, or export it as pixels.',
  },
  read: { ms: 20_000, memory: 900 * MB, doing: 'Reading this file', advice: DRAWING },
  unpack: {
    ms: 300_000,
    memory: 3000 * MB,
    doing: 'Reading this pack',
    advice: 'Nothing was added; export it in parts, with fewer swatches each, and import those.',
  },
  'open-collection': {
    ms: 600_000,
    memory: 3000 * MB,
    doing: 'Reading this collection',
    advice: 'Nothing was added; export it in parts, with fewer motifs each, and import those.',
  },
  check: { ms: 20_000, memory: 1500 * MB, doing: 'Checking what was sent', advice: SENT },
  open: { ms: 60_000, memory: 1500 * MB, doing: 'Opening this design', advice: SENT },
  archive: { ms: 3_600_000, memory: 2000 * MB, doing: 'Writing this backup', advice: KEPT },
  'read-back': { ms: 3_600_000, memory: 2000 * MB, doing: 'Reading back this backup', advice: KEPT },
  'check-studio': { ms: 3_600_000, memory: 2000 * MB, doing: 'Checking the studio', advice: KEPT },
  font: {
    ms: 20_000,
    memory: 900 * MB,
    doing: 'Reading this font',
    advice: 'Nothing was added; choose another file.',
  },
  preview: {
    ms: 30_000,
    memory: 1500 * MB,
    doing: 'Reading this picture',
    advice: 'Nothing was added; make the picture smaller and import it again.',
  },
  shrink: { ms: 30_000, memory: 1500 * MB, doing: 'Making this picture small', advice: KEPT },
  flatten: {
    ms: 60_000,
    memory: 1500 * MB,
    doing: 'Drawing this file',
    advice: 'Nothing was added; save it as a picture, and import that.',
  },
  seams: {
    ms: 300_000,
    memory: 3000 * MB,
    doing: 'Looking at the edges',
    advice: 'The picture is kept as it is; make the frame smaller.',
  },
  derive: {
    ms: 120_000,
    memory: 3000 * MB,
    doing: 'Making this motif',
    advice: 'The motif is kept as it was; use fewer parts or a smaller picture.',
  },
  cut: { ms: 300_000, memory: 4000 * MB, doing: 'Cleaning this sheet', advice: SHEET },
  compare: { ms: 60_000, memory: 2000 * MB, doing: 'Comparing these versions', advice: KEPT },
  pictures: { ms: 300_000, memory: 3000 * MB, doing: 'Reading these motifs', advice: KEPT },
  'strike-off': { ms: 120_000, memory: 2000 * MB, doing: 'Printing this sample', advice: KEPT },
  plates: {
    ms: 900_000,
    memory: 4000 * MB,
    doing: 'Separating this design',
    advice: 'The design is kept as it is; choose a lower density.',
  },
  sheet: {
    ms: 300_000,
    memory: 3000 * MB,
    doing: 'Setting this sheet',
    advice: 'The swatches are kept as they are; choose fewer of them, or more columns.',
  },
  product: { ms: 60_000, memory: 1500 * MB, doing: 'Reading this product', advice: KEPT },
  photo: {
    ms: 60_000,
    memory: 2000 * MB,
    doing: 'Reading this photograph',
    advice: 'Nothing was added; make it smaller and import it again.',
  },
  'outline-product': { ms: 60_000, memory: 1500 * MB, doing: 'Making this product', advice: DRAWING },
  marked: { ms: 60_000, memory: 1500 * MB, doing: 'Marking this photograph', advice: KEPT },
  'try-on': {
    ms: 300_000,
    memory: 3000 * MB,
    doing: 'Painting this try-on',
    advice: 'The try-on is kept as it is; choose a smaller size.',
  },
  scan: {
    ms: 180_000,
    memory: 4000 * MB,
    doing: 'Scanning this sheet',
    advice: 'Nothing was added; scan it at a lower density.',
  },
  pack: {
    ms: 300_000,
    memory: 3000 * MB,
    doing: 'Writing this collection',
    advice: 'The collection is kept as it is; move some of its motifs to another and export both.',
  },
};

/** Pictures of fifty megapixels that are joined by themselves. */
const TILE: Limits = {
  ms: 3_600_000,
  memory: 4000 * MB,
  doing: 'Making this tile',
  advice: 'The picture is kept as it is; make the frame smaller.',
};

/** A picture of 100 megapixels as a motif: unpacked, and its smaller copies. */
const PICTURE: Limits = {
  ms: 60_000,
  memory: 3000 * MB,
  doing: 'Reading this picture',
  advice: 'Nothing was changed; make the picture smaller and import it again.',
};

/** What a task may take. */
export function limitsOf(task: Task): Limits {
  if (task.kind === 'read' && task.isPicture) return PICTURE;
  if (task.kind === 'derive' && task.recipe.kind === 'tile') return TILE;
  if (task.kind !== 'paint') return LIMITS[task.kind];
  return {
    ms: 1_200_000,
    memory: 2 * needOf(task),
    doing: 'Painting this file',
    advice: 'The design is kept as it is; choose a lower density or a smaller size.',
  };
}

/** About how much memory painting a file takes, bytes. */
export function needOf({ design, order }: PaintTask): number {
  const { width, height, grid } = exportPlan(design.repeat, order);
  const pixels = width * height;
  const cell = grid.cell.width * grid.cell.height;
  return (
    EMPTY +
    PER_PIXEL * Math.min(pixels, AT_A_TIME) +
    4 * (cell < pixels && cell <= KEPT_CELL ? cell : 0) +
    (pixels > AT_A_TIME ? THREADS : 0) +
    HELD[order.format] * pixels
  );
}
