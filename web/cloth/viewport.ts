import { type Box, compose, type Matrix, type Point } from '../../core/geometry/index.ts';
import { type LatticeIndex, latticeTranslate, type Repeat } from '../../core/lattice/index.ts';
import { clothPlan, type ClothPlan } from '../../core/paint/index.ts';

/** Which part of the plane the window shows, and at which scale. */
export interface Viewport {
  /** CSS pixels. */
  readonly width: number;
  readonly height: number;
  /** Screen pixels per CSS pixel. */
  readonly density: number;
  /** Wished CSS pixels per millimetre; the plan's own scale is the nearest that is whole in pixels. */
  readonly scale: number;
  readonly plan: ClothPlan;
  /** The plane's whole screen pixel at the window's top left corner. */
  readonly x: number;
  readonly y: number;
}

const SMALLEST_SCALE = 0.02;
const LARGEST_SCALE = 60;

type Frame = Pick<Viewport, 'width' | 'height' | 'density'>;

function planFor(repeat: Repeat, scale: number, { width, height, density }: Frame): ClothPlan {
  return clothPlan(repeat, scale * density, { width: width * density, height: height * density });
}

/** The viewport at a scale in which the place `mm` comes to lie at `at`, in CSS pixels of the window. */
export function viewportWith(frame: Frame, repeat: Repeat, wished: number, mm: Point, at: Point): Viewport {
  const scale = Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, wished));
  const plan = planFor(repeat, scale, frame);
  return {
    width: frame.width,
    height: frame.height,
    density: frame.density,
    scale,
    plan,
    x: Math.round(mm.x * plan.scaleX - at.x * frame.density),
    y: Math.round(mm.y * plan.scaleY - at.y * frame.density),
  };
}

/** The viewport that shows `box` (mm) in the middle, as large as fits with a margin. */
export function viewportAround(frame: Frame, repeat: Repeat, box: Box, margin = 0.08): Viewport {
  const scale =
    (1 - 2 * margin) * Math.min(frame.width / (box.right - box.left), frame.height / (box.bottom - box.top));
  return viewportWith(
    frame,
    repeat,
    scale,
    { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2 },
    middle(frame),
  );
}

export function middle({ width, height }: Pick<Viewport, 'width' | 'height'>): Point {
  return { x: width / 2, y: height / 2 };
}

/** The place of the plane, in mm, at a CSS pixel of the window. */
export function toMm({ plan, density, x, y }: Viewport, at: Point): Point {
  return { x: (at.x * density + x) / plan.scaleX, y: (at.y * density + y) / plan.scaleY };
}

/** The CSS pixel of the window at a place of the plane in mm. */
export function toCss({ plan, density, x, y }: Viewport, mm: Point): Point {
  return { x: (mm.x * plan.scaleX - x) / density, y: (mm.y * plan.scaleY - y) / density };
}

/** The part of the plane that is seen, mm. */
export function windowMm(viewport: Viewport): Box {
  const [from, to] = [toMm(viewport, { x: 0, y: 0 }), toMm(viewport, { x: viewport.width, y: viewport.height })];
  return { left: from.x, top: from.y, right: to.x, bottom: to.y };
}

/** The displacement in mm of one in CSS pixels. */
export function lengthToMm({ plan, density }: Viewport, by: Point): Point {
  return { x: (by.x * density) / plan.scaleX, y: (by.y * density) / plan.scaleY };
}

/** The window in whole pixels of the painted plane. */
export function paintedWindow({ width, height, density, plan, x, y }: Viewport): Box {
  const by = plan.reduction;
  return {
    left: x * by,
    top: y * by,
    right: (x + Math.ceil(width * density)) * by,
    bottom: (y + Math.ceil(height * density)) * by,
  };
}

/** The same place at the same scale after the window or the repeat has changed. */
export function refitted(viewport: Viewport, frame: Frame, repeat: Repeat): Viewport {
  return viewportWith(frame, repeat, viewport.scale, toMm(viewport, middle(viewport)), middle(frame));
}

/** From there on a context of the window's own pixels draws in mm as seen through `matrix`. */
export function placeContext(
  context: Pick<CanvasRenderingContext2D, 'setTransform'>,
  viewport: Viewport,
  matrix: Matrix,
): void {
  context.setTransform(...planeMatrix(viewport, matrix));
}

/** From mm seen through `matrix` to the window's own pixels. */
export function planeMatrix({ plan, x, y }: Viewport, matrix: Matrix): Matrix {
  return compose([plan.scaleX, 0, 0, plan.scaleY, -x, -y], matrix);
}

/** One whole repeat with some of its neighbours. */
export function wholeRepeat(frame: Frame, repeat: Repeat): Viewport {
  return viewportAround(frame, repeat, { left: 0, top: 0, right: repeat.width, bottom: repeat.height }, 0.14);
}

/** Moved by CSS pixels, in whole pixels of the screen. */
export function pannedBy(viewport: Viewport, by: Point): Viewport {
  const { density, x, y } = viewport;
  return { ...viewport, x: x - Math.round(by.x * density), y: y - Math.round(by.y * density) };
}

/** Moved by whole repeats, which shows the same cloth, so that the cell `index` becomes the one at the origin. */
export function broughtHome(viewport: Viewport, index: LatticeIndex): Viewport {
  const { plan, x, y } = viewport;
  const by = latticeTranslate(plan.grid.lattice, index);
  return { ...viewport, x: x - Math.round(by.x / plan.reduction), y: y - Math.round(by.y / plan.reduction) };
}
