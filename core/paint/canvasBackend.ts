import type { Pixels } from './pixels.ts';
import type { PathSink, PictureNode } from '../motif/index.ts';
import type { Picture } from './picture.ts';

/** A path built once and painted often; Canvas `Path2D` in both engines. */
export type CanvasPath = PathSink;

/** A colour ramp; Canvas `CanvasGradient`. */
export interface CanvasGradientLike {
  addColorStop(offset: number, colour: string): void;
}

/** The part of a Canvas 2D context that the painter draws with. */
export interface Canvas2D {
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
  fill(path: CanvasPath, rule: 'nonzero' | 'evenodd'): void;
  stroke(path: CanvasPath): void;
  createLinearGradient(x0: number, y0: number, x1: number, y1: number): CanvasGradientLike;
  createRadialGradient(x0: number, y0: number, r0: number, x1: number, y1: number, r1: number): CanvasGradientLike;
}

/** A drawing surface with pixels behind it. */
export interface OffscreenSurface {
  readonly pixels: Pixels;
  readonly context: Canvas2D;
  /** Gives the sheet a size and clears it. */
  resize(width: number, height: number): void;
  /** Puts whole rows of pixels, RGBA, in place of what is there. */
  write(data: Uint8ClampedArray, width: number, top: number): void;
  /** All of its pixels, RGBA, not premultiplied. */
  read(): Uint8ClampedArray;
}

/** What the painter needs of the engine it runs on: the browser's workers and the server each have one. */
export interface CanvasBackend {
  createSurface(width: number, height: number): OffscreenSurface;
  createPath(): CanvasPath;
  /** Sets the fill or stroke of a surface, which Canvas types differently in each engine. */
  setPaint(surface: Canvas2D, part: 'fillStyle' | 'strokeStyle', paint: string | CanvasGradientLike): void;
  /** Lays pixels over a rectangle of the surface's own space. */
  drawPixels(surface: Canvas2D, pixels: Pixels, to: { x: number; y: number; width: number; height: number }): void;
  /** The picture of a node as it is in the blob store, loaded beforehand, or undefined. */
  picture(node: Pick<PictureNode, 'blob' | 'palette'>): Picture | undefined;
}
