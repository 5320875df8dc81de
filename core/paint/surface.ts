import type { PathSink } from '../motif/pathData.ts';
import type { Picture } from './picture.ts';

/** A path built once and painted often; Canvas `Path2D` in both engines. */
export type SurfacePath = PathSink;

/** A colour ramp; Canvas `CanvasGradient`. */
export interface SurfaceGradient {
  addColorStop(offset: number, colour: string): void;
}

/** The part of a Canvas 2D context that the painter draws with. */
export interface Surface {
  globalAlpha: number;
  globalCompositeOperation: string;
  imageSmoothingEnabled: boolean;
  imageSmoothingQuality: 'low' | 'medium' | 'high';
  lineWidth: number;
  lineCap: 'butt' | 'round' | 'square';
  lineJoin: 'miter' | 'round' | 'bevel';
  miterLimit: number;
  lineDashOffset: number;
  setLineDash(segments: number[]): void;
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  clearRect(x: number, y: number, width: number, height: number): void;
  fillRect(x: number, y: number, width: number, height: number): void;
  /** Takes the last colour or gradient given to `paintWith`, as Canvas does `fillStyle` and `strokeStyle`. */
  fill(path: SurfacePath, rule: 'nonzero' | 'evenodd'): void;
  stroke(path: SurfacePath): void;
  createLinearGradient(x0: number, y0: number, x1: number, y1: number): SurfaceGradient;
  createRadialGradient(x0: number, y0: number, r0: number, x1: number, y1: number, r1: number): SurfaceGradient;
}

/** Pixels the painter can lay down: a canvas of its own kind or a decoded picture. */
export type Pixels = unknown;

/** A drawing surface with pixels behind it. */
export interface Sheet {
  readonly pixels: Pixels;
  readonly surface: Surface;
  /** Gives the sheet a size and clears it. */
  resize(width: number, height: number): void;
}

/** What the painter needs of the engine it runs on: the browser's workers and the server each have one. */
export interface Easel {
  sheet(width: number, height: number): Sheet;
  path(): SurfacePath;
  /** Sets the fill or stroke of a surface, which Canvas types differently in each engine. */
  paintWith(surface: Surface, part: 'fillStyle' | 'strokeStyle', paint: string | SurfaceGradient): void;
  /** Lays pixels over a rectangle of the surface's own space. */
  lay(surface: Surface, pixels: Pixels, to: { x: number; y: number; width: number; height: number }): void;
  /** A picture of the blob store that was loaded beforehand, or undefined. */
  picture(blob: string): Picture | undefined;
}
