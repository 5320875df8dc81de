import type { InkResolver } from '../colour/inkResolver.ts';
import { withAlpha } from '../colour/hex.ts';
import { compose, invert, transform, type Matrix } from '../geometry/matrix.ts';
import type { ArtworkNode, ClipShape, GroupNode, Paint, PathNode, PathText, PictureNode, Stroke } from '../motif/artwork.ts';
import { tracePath } from '../motif/pathData.ts';
import type { Easel, Surface, SurfaceGradient, SurfacePath } from './surface.ts';

/** What painting one artwork needs, the same for all its nodes. */
interface Setting {
  readonly easel: Easel;
  readonly resolve: InkResolver;
  /** Pixels of the sheet that is painted on. */
  readonly width: number;
  readonly height: number;
}

/** Built paths, kept as long as the node that they belong to. */
const paths = new WeakMap<Easel, WeakMap<object, SurfacePath>>();

/**
 * Paints artwork nodes.
 *
 * @param matrix from artwork units to the pixels of the sheet
 */
export function paintArtwork(surface: Surface, nodes: readonly ArtworkNode[], matrix: Matrix, setting: Setting): void {
  for (const node of nodes) {
    if (node.kind === 'group') paintGroup(surface, node, matrix, setting);
    else if (node.kind === 'path') paintPath(surface, node, matrix, setting);
    else paintPicture(surface, node, matrix, setting);
  }
}

function paintGroup(surface: Surface, group: GroupNode, matrix: Matrix, setting: Setting): void {
  const within = compose(matrix, group.matrix);
  if (group.opacity < 1) {
    const layer = setting.easel.sheet(setting.width, setting.height);
    paintArtwork(layer.surface, [{ ...group, opacity: 1 }], matrix, setting);
    surface.setTransform(1, 0, 0, 1, 0, 0);
    surface.globalAlpha = group.opacity;
    setting.easel.lay(surface, layer.pixels, undefined, { x: 0, y: 0, width: setting.width, height: setting.height });
    surface.globalAlpha = 1;
    return;
  }
  if (!group.clip) {
    paintArtwork(surface, group.children, within, setting);
    return;
  }
  surface.save();
  surface.setTransform(...within);
  surface.clip(clipPath(group.clip, setting.easel), group.clip.length === 1 && group.clip[0]?.rule === 'evenodd' ? 'evenodd' : 'nonzero');
  paintArtwork(surface, group.children, within, setting);
  surface.restore();
}

function paintPath(surface: Surface, node: PathNode, matrix: Matrix, { easel, resolve }: Setting): void {
  const path = builtPath(node, node.path, easel);
  surface.setTransform(...matrix);
  const fill = (): void => {
    if (!node.fill) return;
    const undo = setPaint(surface, 'fillStyle', node.fill, easel, resolve);
    if (undo) {
      // The gradient lives in its own space: clip to the shape and flood that space.
      surface.save();
      surface.clip(path, node.rule);
      surface.transform(...undo);
      const all = 1e7;
      surface.fillRect(-all, -all, 2 * all, 2 * all);
      surface.restore();
    } else {
      surface.fill(path, node.rule);
    }
  };
  const stroke = (): void => {
    if (!node.stroke) return;
    setStroke(surface, node.stroke);
    setPaint(surface, 'strokeStyle', flattened(node.stroke.paint), easel, resolve);
    surface.stroke(path);
  };
  if (node.strokeFirst) {
    stroke();
    fill();
  } else {
    fill();
    stroke();
  }
}

function paintPicture(surface: Surface, node: PictureNode, matrix: Matrix, { easel }: Setting): void {
  const pixels = easel.picture(node.blob);
  if (pixels === undefined) return;
  surface.setTransform(...matrix);
  surface.imageSmoothingEnabled = true;
  surface.imageSmoothingQuality = 'high';
  easel.lay(surface, pixels, undefined, node);
}

function setStroke(surface: Surface, { width, cap, join, miterLimit, dash, dashOffset }: Stroke): void {
  surface.lineWidth = width;
  surface.lineCap = cap;
  surface.lineJoin = join;
  surface.miterLimit = miterLimit;
  surface.setLineDash([...dash]);
  surface.lineDashOffset = dashOffset;
}

/** Sets the paint; returns the gradient's own space where it is not the shape's. */
function setPaint(
  surface: Surface,
  part: 'fillStyle' | 'strokeStyle',
  paint: Paint,
  easel: Easel,
  resolve: InkResolver,
): Matrix | undefined {
  if (paint.kind === 'ink') {
    easel.paintWith(surface, part, withAlpha(resolve(paint.ink), paint.opacity));
    return undefined;
  }
  const gradient: SurfaceGradient =
    paint.kind === 'linear'
      ? surface.createLinearGradient(...paint.from, ...paint.to)
      : surface.createRadialGradient(...paint.focus, 0, ...paint.centre, paint.radius);
  for (const { offset, ink, opacity } of paint.stops) gradient.addColorStop(offset, withAlpha(resolve(ink), opacity));
  easel.paintWith(surface, part, gradient);
  return paint.matrix;
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
    return { ...paint, focus: at(paint.focus), centre: at(paint.centre), radius: paint.radius * Math.sqrt(Math.abs(a * d - b * c)) };
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

function builtPath(key: object, text: PathText, easel: Easel): SurfacePath {
  let built = paths.get(easel);
  if (!built) paths.set(easel, (built = new WeakMap()));
  let path = built.get(key);
  if (!path) {
    path = easel.path();
    tracePath(text, path);
    built.set(key, path);
  }
  return path;
}

function clipPath(clip: readonly ClipShape[], easel: Easel): SurfacePath {
  const path = easel.path();
  for (const { path: text, matrix } of clip) {
    const at = (x: number, y: number): [number, number] => {
      const p = transform(matrix, { x, y });
      return [p.x, p.y];
    };
    tracePath(text, {
      moveTo: (x, y) => path.moveTo(...at(x, y)),
      lineTo: (x, y) => path.lineTo(...at(x, y)),
      quadraticCurveTo: (cx, cy, x, y) => path.quadraticCurveTo(...at(cx, cy), ...at(x, y)),
      bezierCurveTo: (ax, ay, bx, by, x, y) => path.bezierCurveTo(...at(ax, ay), ...at(bx, by), ...at(x, y)),
      closePath: () => path.closePath(),
    });
  }
  return path;
}
