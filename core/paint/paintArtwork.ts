import { withAlpha } from '../colour/index.ts';
import type { InkResolver } from '../document/index.ts';
import {
  type Box,
  compose,
  IDENTITY,
  intersectBoxes,
  invert,
  type Matrix,
  transform,
  translationMatrix,
} from '../geometry/index.ts';
import {
  artworkBounds,
  type ArtworkNode,
  fadedBounds,
  type GroupNode,
  type Paint,
  type PathNode,
  type PathText,
  type PictureNode,
  type Stroke,
  tracePath,
} from '../motif/index.ts';
import type { Mixing } from '../recolour/index.ts';
import type { Canvas2D, CanvasBackend, CanvasGradientLike, CanvasPath, OffscreenSurface } from './canvasBackend.ts';
import { cutLayer } from './cutLayer.ts';
import { inkedLevel } from './inkedLevel.ts';
import { levelFor } from './picture.ts';
import { through } from './through.ts';

/** What painting one artwork needs, the same for all its nodes. */
interface Setting {
  readonly backend: CanvasBackend;
  readonly resolve: InkResolver;
  /** How pictures come by the colours of inks. */
  readonly mixing?: Mixing;
  /** Pixels of the sheet that is painted on. */
  readonly width: number;
  readonly height: number;
  /** Sheets of groups that are painted and laid down, to be used again. */
  readonly layers?: OffscreenSurface[];
}

/** Built paths, kept as long as the node or the gradient that they belong to. */
const paths = new WeakMap<CanvasBackend, WeakMap<object, CanvasPath>>();

/**
 * Paints artwork nodes.
 *
 * @param matrix from artwork units to the pixels of the sheet
 */
export function paintArtwork(surface: Canvas2D, nodes: readonly ArtworkNode[], matrix: Matrix, setting: Setting): void {
  const shared = setting.layers ? setting : { ...setting, layers: [] };
  for (const node of nodes) {
    if (node.kind === 'group') paintGroup(surface, node, matrix, shared);
    else if (node.kind === 'path') paintPath(surface, node, matrix, setting);
    else paintPicture(surface, node, matrix, setting);
  }
}

function paintGroup(surface: Canvas2D, group: GroupNode, matrix: Matrix, setting: Setting): void {
  const within = compose(matrix, group.matrix);
  const { backend, width, height } = setting;
  if (group.opacity === 1 && !group.clip) {
    paintArtwork(surface, group.children, within, setting);
    return;
  }
  const [only, second] = group.children;
  if (!group.clip && only && !second && paintsOnce(only)) {
    // Nothing lies over anything else, so it can be laid down half-transparent itself.
    surface.globalAlpha = group.opacity;
    paintArtwork(surface, group.children, within, setting);
    surface.globalAlpha = 1;
    return;
  }
  const part = layerPart(group, within, width, height);
  if (!part) return;
  const [wide, high] = [part.right - part.left, part.bottom - part.top];
  const layers = setting.layers ?? [];
  const layer = layers.pop() ?? backend.createSurface(1, 1);
  layer.resize(wide, high);
  const moved = compose(translationMatrix(-part.left, -part.top), within);
  paintArtwork(layer.context, group.children, moved, { ...setting, layers, width: wide, height: high });
  if (group.clip)
    cutLayer(layer.context, { shapes: group.clip, softness: group.softness ?? 0 }, moved, [wide, high], backend);
  surface.setTransform(1, 0, 0, 1, 0, 0);
  surface.globalAlpha = group.opacity;
  backend.drawPixels(surface, layer.pixels, { x: part.left, y: part.top, width: wide, height: high });
  surface.globalAlpha = 1;
  // For the next group: a drawing can hold hundreds.
  layers.push(layer);
}

/** Whether a node paints each pixel at most once: a fill or a stroke, not both, or a picture. */
function paintsOnce(node: ArtworkNode): boolean {
  return node.kind === 'picture' || (node.kind === 'path' && !(node.fill && node.stroke));
}

/** The whole pixels of the sheet that a group can reach, with one around for soft edges; undefined where there are none. */
function layerPart(group: GroupNode, within: Matrix, width: number, height: number): Box | undefined {
  const drawn = artworkBounds(group.children, within);
  const clip = fadedBounds(group, within);
  const box = group.clip ? drawn && clip && intersectBoxes(drawn, clip) : drawn;
  const sheet = { left: 0, top: 0, right: width, bottom: height };
  return (
    box &&
    intersectBoxes(sheet, {
      left: Math.floor(box.left) - 1,
      top: Math.floor(box.top) - 1,
      right: Math.ceil(box.right) + 1,
      bottom: Math.ceil(box.bottom) + 1,
    })
  );
}

function paintPath(surface: Canvas2D, node: PathNode, matrix: Matrix, setting: Setting): void {
  const fill = (): void => {
    if (node.fill) fillPath(surface, node, node.fill, matrix, setting);
  };
  const stroke = (): void => {
    if (node.stroke) strokePath(surface, node, node.stroke, matrix, setting);
  };
  if (node.strokeFirst) {
    stroke();
    fill();
  } else {
    fill();
    stroke();
  }
}

function fillPath(
  surface: Canvas2D,
  node: PathNode,
  paint: Paint,
  matrix: Matrix,
  { backend, resolve }: Setting,
): void {
  setPaint(surface, 'fillStyle', paint, backend, resolve);
  if (paint.kind === 'ink') {
    surface.setTransform(...matrix);
    surface.fill(builtPath(node, node.path, backend, IDENTITY), node.rule);
    return;
  }
  // A gradient lives in its own space, so the shape is brought there: the gradient's space is what is transformed.
  const back = invert(paint.matrix);
  if (!back) return;
  surface.setTransform(...compose(matrix, paint.matrix));
  surface.fill(builtPath(paint, node.path, backend, back), node.rule);
}

function strokePath(
  surface: Canvas2D,
  node: PathNode,
  stroke: Stroke,
  matrix: Matrix,
  { backend, resolve }: Setting,
): void {
  surface.setTransform(...matrix);
  setPaint(surface, 'strokeStyle', flattened(stroke.paint), backend, resolve);
  surface.lineWidth = stroke.width;
  surface.lineCap = stroke.cap;
  surface.lineJoin = stroke.join;
  surface.miterLimit = stroke.miterLimit;
  surface.setLineDash([...stroke.dash]);
  surface.lineDashOffset = stroke.dashOffset;
  surface.stroke(builtPath(node, node.path, backend, IDENTITY));
}

function paintPicture(
  surface: Canvas2D,
  node: PictureNode,
  matrix: Matrix,
  { backend, resolve, mixing = 'eye' }: Setting,
): void {
  const picture = backend.picture(node);
  if (!picture) return;
  const { x, y, width, height, palette } = node;
  const [a, b, c, d] = matrix;
  const perX = width / picture.width;
  const perY = height / picture.height;
  const shown = levelFor(picture, Math.min(Math.hypot(a, b) * perX, Math.hypot(c, d) * perY));
  surface.setTransform(...matrix);
  surface.imageSmoothingEnabled = true;
  surface.imageSmoothingQuality = 'low';
  const pixels = palette ? inkedLevel(shown.level, palette, resolve, mixing, backend) : shown.level.pixels;
  backend.drawPixels(surface, pixels, { x, y, width: shown.width * perX, height: shown.height * perY });
}

/** Has a canvas fill or stroke with an ink or a gradient, the latter in the canvas's own space as it is placed. */
export function setPaint(
  surface: Canvas2D,
  part: 'fillStyle' | 'strokeStyle',
  paint: Paint,
  backend: CanvasBackend,
  resolve: InkResolver,
): void {
  if (paint.kind === 'ink') {
    backend.setPaint(surface, part, withAlpha(resolve(paint.ink), paint.opacity));
    return;
  }
  const gradient: CanvasGradientLike =
    paint.kind === 'linear'
      ? surface.createLinearGradient(...paint.from, ...paint.to)
      : surface.createRadialGradient(...paint.focus, 0, ...paint.centre, paint.radius);
  for (const { offset, ink, opacity } of paint.stops) gradient.addColorStop(offset, withAlpha(resolve(ink), opacity));
  backend.setPaint(surface, part, gradient);
}

/**
 * A paint whose gradient is in the shape's own space, for strokes, which cannot be flooded. Exact for turned and
 * evenly scaled gradients; a slanted one keeps its ends and its mean radius.
 */
function flattened(paint: Paint): Paint {
  if (paint.kind === 'ink') return paint;
  const at = ([x, y]: readonly [number, number]): readonly [number, number] => {
    const p = transform(paint.matrix, { x, y });
    return [p.x, p.y];
  };
  if (paint.kind === 'radial') {
    const [a, b, c, d] = paint.matrix;
    return {
      ...paint,
      focus: at(paint.focus),
      centre: at(paint.centre),
      radius: paint.radius * Math.sqrt(Math.abs(a * d - b * c)),
    };
  }
  // Colour is constant across the gradient's normal, which a map turns into the normal of its inverse transpose.
  const back = invert(paint.matrix);
  const from = at(paint.from);
  if (!back) return { ...paint, from, to: at(paint.to) };
  const dx = paint.to[0] - paint.from[0];
  const dy = paint.to[1] - paint.from[1];
  const nx = back[0] * dx + back[1] * dy;
  const ny = back[2] * dx + back[3] * dy;
  const length = (dx * dx + dy * dy) / (nx * nx + ny * ny || 1);
  return { ...paint, from, to: [from[0] + nx * length, from[1] + ny * length] };
}

function builtPath(key: object, text: PathText, backend: CanvasBackend, matrix: Matrix): CanvasPath {
  let built = paths.get(backend);
  if (!built) paths.set(backend, (built = new WeakMap()));
  let path = built.get(key);
  if (!path) {
    path = backend.createPath();
    tracePath(text, matrix === IDENTITY ? path : through(matrix, path));
    built.set(key, path);
  }
  return path;
}
