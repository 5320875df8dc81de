import { type Box, type Point, squaredDistances } from '../geometry/index.ts';
import type { CutLine, Cutting } from '../recipe/index.ts';
import { labelComponents } from './connectedComponents.ts';
import { cropPixels, drawnBox } from './orient.ts';
import type { PixelImage } from './pixelImage.ts';

/** One drawing of a cut sheet. */
export interface SheetDrawing {
  /** Number of its places in the grid. */
  readonly label: number;
  /** Pixels of the sheet. */
  readonly box: Box;
  /** A point of it that is drawn, mm: names it in a recipe. */
  readonly anchor: Point;
  /** Whether it was left out by hand. */
  readonly isLeftOut: boolean;
}

/** A sheet cut into its drawings. */
export interface CutSheet {
  /** Reading order: by rows, left to right. */
  readonly drawings: readonly SheetDrawing[];
  /** One label a place of the grid, -1 where nothing is drawn; a place is `by` × `by` pixels. */
  readonly labels: Int32Array;
  readonly columns: number;
  readonly rows: number;
  readonly by: number;
}

/** Places of the grid on which drawings are told apart; more would tell no more to the eye. */
const MOST_PLACES = 1.5e6;
const NONE = -1;

/**
 * Cuts a cleaned sheet: what lies closer than the gap is one drawing, hands join and part the rest.
 *
 * @param perMm pixels to a millimetre
 */
export function cutSheet(pixels: PixelImage, perMm: number, { gap, joins, splits, without }: Cutting): CutSheet {
  const by = Math.max(1, Math.ceil(Math.sqrt((pixels.width * pixels.height) / MOST_PLACES)));
  const columns = Math.ceil(pixels.width / by);
  const rows = Math.ceil(pixels.height / by);
  const placesPerMm = perMm / by;
  const drawn = coarse(pixels, by, columns, rows);
  const field = squaredDistances(drawn, columns, rows);
  const reach = (gap * placesPerMm) / 2;
  const near = new Uint8Array(field.length);
  for (let n = 0; n < near.length; n += 1) near[n] = (field[n] as number) <= reach * reach ? 1 : 0;
  for (const line of splits) part(near, columns, rows, lengthened(line, gap), placesPerMm);

  const labels = new Int32Array(near.length).fill(NONE);
  const parts = labelComponents(near, columns, rows, true);
  for (let n = 0; n < parts.row.length; n += 1)
    labels.fill(
      parts.part[n] as number,
      (parts.row[n] as number) * columns + (parts.from[n] as number),
      (parts.row[n] as number) * columns + (parts.to[n] as number),
    );
  adopt(labels, drawn, columns, rows);
  for (let n = 0; n < labels.length; n += 1) if (!drawn[n]) labels[n] = NONE;
  join(
    labels,
    joins.map((points) =>
      points.map(({ x, y }) => nearestLabel(labels, columns, rows, x * placesPerMm, y * placesPerMm)),
    ),
  );
  const leftOut = new Set(
    without.map(({ x, y }) => nearestLabel(labels, columns, rows, x * placesPerMm, y * placesPerMm)),
  );
  return { drawings: drawingsOf(labels, columns, by, perMm, pixels, leftOut), labels, columns, rows, by };
}

/** One drawing alone, cropped to it, and where its upper left corner lies on its sheet, pixels. */
export interface CutOut {
  readonly pixels: PixelImage;
  readonly corner: Point;
}

/** Takes one drawing out of its sheet. */
export function cutOut(pixels: PixelImage, sheet: CutSheet, { label, box }: SheetDrawing): CutOut {
  const own = cropPixels(pixels, box);
  for (let y = 0; y < own.height; y += 1) {
    for (let x = 0; x < own.width; x += 1) {
      const place = Math.floor((y + box.top) / sheet.by) * sheet.columns + Math.floor((x + box.left) / sheet.by);
      if (sheet.labels[place] !== label) own.data.fill(0, (y * own.width + x) * 4, (y * own.width + x) * 4 + 4);
    }
  }
  const tight = drawnBox(own);
  if (!tight) return { pixels: own, corner: { x: box.left, y: box.top } };
  return { pixels: cropPixels(own, tight), corner: { x: box.left + tight.left, y: box.top + tight.top } };
}

/** The drawing that a point names, or undefined where the sheet is empty. */
export function drawingAt(
  { drawings, labels, columns, rows, by }: CutSheet,
  perMm: number,
  { x, y }: Point,
): SheetDrawing | undefined {
  const label = nearestLabel(labels, columns, rows, (x * perMm) / by, (y * perMm) / by);
  return drawings.find((drawing) => drawing.label === label);
}

function coarse({ width, height, data }: PixelImage, by: number, columns: number, rows: number): Uint8Array {
  const drawn = new Uint8Array(columns * rows);
  for (let y = 0; y < height; y += 1) {
    const start = Math.floor(y / by) * columns;
    for (let x = 0; x < width; x += 1) if (data[(y * width + x) * 4 + 3] !== 0) drawn[start + Math.floor(x / by)] = 1;
  }
  return drawn;
}

/** A hand ends its line at the drawing's edge; what holds it together reaches half the gap farther. */
function lengthened([a, b]: CutLine, by: number): CutLine {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length === 0) return [a, b];
  const [ux, uy] = [((b.x - a.x) / length) * by, ((b.y - a.y) / length) * by];
  return [
    { x: a.x - ux, y: a.y - uy },
    { x: b.x + ux, y: b.y + uy },
  ];
}

/** Clears a line two places wide, so that nothing gets across it at a corner. */
function part(near: Uint8Array, columns: number, rows: number, [a, b]: CutLine, placesPerMm: number): void {
  const [ax, ay, bx, by] = [a.x * placesPerMm, a.y * placesPerMm, b.x * placesPerMm, b.y * placesPerMm];
  const steps = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) * 2));
  for (let k = 0; k <= steps; k += 1) {
    const x = Math.floor(ax + ((bx - ax) * k) / steps);
    const y = Math.floor(ay + ((by - ay) * k) / steps);
    for (const [u, v] of [
      [x, y],
      [x + 1, y],
      [x, y + 1],
    ] as const)
      if (u >= 0 && v >= 0 && u < columns && v < rows) near[v * columns + u] = 0;
  }
}

/** What is drawn under a parting line goes to the part next to it. */
function adopt(labels: Int32Array, drawn: Uint8Array, columns: number, rows: number): void {
  let orphans: number[] = [];
  for (let n = 0; n < labels.length; n += 1) if (drawn[n] && labels[n] === NONE) orphans.push(n);
  while (orphans.length > 0) {
    const taken: [number, number][] = [];
    for (const n of orphans) {
      const [x, y] = [n % columns, Math.floor(n / columns)];
      for (const [u, v] of [
        [x - 1, y],
        [x + 1, y],
        [x, y - 1],
        [x, y + 1],
      ] as const) {
        const label = u >= 0 && v >= 0 && u < columns && v < rows ? (labels[v * columns + u] as number) : NONE;
        if (label === NONE) continue;
        taken.push([n, label]);
        break;
      }
    }
    if (taken.length === 0) break;
    for (const [n, label] of taken) labels[n] = label;
    orphans = orphans.filter((n) => labels[n] === NONE);
  }
}

function join(labels: Int32Array, groups: readonly (readonly number[])[]): void {
  const become = new Map<number, number>();
  const root = (label: number): number => {
    let at = label;
    for (let next = become.get(at); next !== undefined; next = become.get(at)) at = next;
    return at;
  };
  for (const group of groups) {
    const [first, ...rest] = group.filter((label) => label !== NONE).map(root);
    if (first === undefined) continue;
    for (const other of rest) if (root(other) !== root(first)) become.set(root(other), root(first));
  }
  if (become.size > 0)
    for (let n = 0; n < labels.length; n += 1) if (labels[n] !== NONE) labels[n] = root(labels[n] as number);
}

/** The label at a place, or the nearest to it. */
function nearestLabel(labels: Int32Array, columns: number, rows: number, x: number, y: number): number {
  const [px, py] = [Math.min(columns - 1, Math.max(0, Math.floor(x))), Math.min(rows - 1, Math.max(0, Math.floor(y)))];
  const here = labels[py * columns + px] as number;
  if (here !== NONE) return here;
  let best = NONE;
  let least = Infinity;
  for (let n = 0; n < labels.length; n += 1) {
    if (labels[n] === NONE) continue;
    const distance = ((n % columns) - px) ** 2 + (Math.floor(n / columns) - py) ** 2;
    if (distance >= least) continue;
    least = distance;
    best = labels[n] as number;
  }
  return best;
}

function drawingsOf(
  labels: Int32Array,
  columns: number,
  by: number,
  perMm: number,
  { width, height }: PixelImage,
  leftOut: ReadonlySet<number>,
): SheetDrawing[] {
  const found = new Map<number, { left: number; top: number; right: number; bottom: number; places: number[] }>();
  for (let n = 0; n < labels.length; n += 1) {
    const label = labels[n] as number;
    if (label === NONE) continue;
    const [x, y] = [n % columns, Math.floor(n / columns)];
    const one = found.get(label);
    if (!one) {
      found.set(label, { left: x, top: y, right: x + 1, bottom: y + 1, places: [n] });
      continue;
    }
    one.left = Math.min(one.left, x);
    one.right = Math.max(one.right, x + 1);
    one.bottom = y + 1;
    one.places.push(n);
  }
  const drawings = [...found].map(([label, { places, ...box }]): SheetDrawing => {
    const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
    const off = (n: number): number => ((n % columns) + 0.5 - cx) ** 2 + (Math.floor(n / columns) + 0.5 - cy) ** 2;
    const middle = places.reduce((best, n) => (off(n) < off(best) ? n : best));
    const mm = (place: number): number => ((place + 0.5) * by) / perMm;
    return {
      label,
      box: {
        left: box.left * by,
        top: box.top * by,
        right: Math.min(width, box.right * by),
        bottom: Math.min(height, box.bottom * by),
      },
      anchor: { x: mm(middle % columns), y: mm(Math.floor(middle / columns)) },
      isLeftOut: leftOut.has(label),
    };
  });
  return inReadingOrder(drawings);
}

/** Rows are what overlaps in height by its middle. */
function inReadingOrder(drawings: readonly SheetDrawing[]): SheetDrawing[] {
  const rows: SheetDrawing[][] = [];
  const middle = ({ box }: SheetDrawing): number => (box.top + box.bottom) / 2;
  for (const drawing of [...drawings].sort((a, b) => middle(a) - middle(b) || a.box.left - b.box.left)) {
    const row = rows.at(-1);
    const [first] = row ?? [];
    if (row && first && middle(drawing) < first.box.bottom) row.push(drawing);
    else rows.push([drawing]);
  }
  return rows.flatMap((row) => row.sort((a, b) => a.box.left - b.box.left));
}
