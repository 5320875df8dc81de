import type { Hex } from '../colour/index.ts';
import type { Design } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import type { PixelGrid } from '../lattice/index.ts';
import type { DrawnMotif } from '../motif/index.ts';
import { type CanvasBackend, paintingPlane, type Picture, pictureOf, type Scene, sceneOf } from '../paint/index.ts';
import { PICTURES, plateResolver } from './plateInks.ts';

const [PRINTED, PAPER]: readonly [Hex, Hex] = ['#000000', '#ffffff'];
/** Rows painted at a time. */
const PIXELS_AT_A_TIME = 1 << 22;

/** What plates are painted from. */
export interface PlateSource {
  readonly design: Design;
  readonly motifs: ReadonlyMap<string, DrawnMotif>;
  readonly colourway: string | undefined;
  readonly grid: PixelGrid;
  /** Whole pixels of the plane. */
  readonly window: Box;
  readonly backend: CanvasBackend;
}

/**
 * Paints how much of each pixel an ink covers: the cloth with that ink in black and all others in white, on white. So an ink
 * covers what is seen of it, and what blends (multiply) prints over what lies below.
 *
 * @returns 0 to 255 for each pixel of the window, row after row
 * @yields the share done, 0 to 1
 */
export function paintingPlate(ink: string, source: PlateSource): Generator<number, Uint8Array> {
  return paintingShare(ink, source, ink === PICTURES ? darkness : blank);
}

/** Paints how much of each pixel is covered by pictures that no ink prints, however light they are. Otherwise as `paintingPlate`. */
export function paintingPictures(source: PlateSource): Generator<number, Uint8Array> {
  return paintingShare(PICTURES, source, full);
}

/** How dark a pixel of a picture is on a plate, 0 to 255 with 255 for paper. */
type GreyOf = (r: number, g: number, b: number) => number;
const darkness: GreyOf = (r, g, b) => 255 * lightOf(r, g, b);
const blank: GreyOf = () => 255;
const full: GreyOf = () => 0;

function paintingShare(ink: string, source: PlateSource, greyOf: GreyOf): Generator<number, Uint8Array> {
  const { design, motifs, colourway } = source;
  const inkOf = plateResolver(design, colourway);
  const colours = Object.fromEntries(design.inks.map(({ id }) => [id, id === ink ? PRINTED : PAPER]));
  const plain: Scene = sceneOf(
    { ...design, colourways: [{ id: 'plate', name: 'Plate', colours }] },
    motifs,
    undefined,
    'shares',
  );
  const scene: Scene = {
    ...plain,
    ground: plain.ground ?? { kind: 'flat', colour: PAPER },
    resolve: (artwork, motif) => (inkOf(artwork, motif) === ink ? PRINTED : PAPER),
    colours: `plate ${ink} ${plain.colours}`,
  };
  const backend = withGreyPictures(source.backend, greyOf);
  return painting(scene, { ...source, backend }, (red) => 255 - red);
}

/** Paints how much of each pixel the design covers at all. @returns 0 to 255 @yields the share done, 0 to 1 */
export function paintingAlpha(source: PlateSource): Generator<number, Uint8Array> {
  const { design, motifs, colourway } = source;
  return painting(sceneOf(design, motifs, colourway), source, (_red, alpha) => alpha);
}

function* painting(
  scene: Scene,
  { backend, grid, window }: PlateSource,
  shadeOf: (red: number, alpha: number) => number,
): Generator<number, Uint8Array> {
  const width = window.right - window.left;
  const height = window.bottom - window.top;
  const plate = new Uint8Array(width * height);
  const rows = Math.max(1, Math.floor(PIXELS_AT_A_TIME / width));
  const surface = backend.createSurface(width, Math.min(rows, height));
  for (let top = 0; top < height; top += rows) {
    const bottom = Math.min(height, top + rows);
    const part = { ...window, top: window.top + top, bottom: window.top + bottom };
    for (const share of paintingPlane(surface.context, { scene, grid, window: part }, backend))
      yield (top + share * (bottom - top)) / height;
    const data = surface.read();
    for (let n = top * width, at = 0; n < bottom * width; n++, at += 4)
      plate[n] = shadeOf(data[at] as number, data[at + 3] as number);
  }
  return plate;
}

/** Pictures in greys. One with a palette stays as it is: the plates of its inks print it. */
function withGreyPictures(backend: CanvasBackend, greyOf: GreyOf): CanvasBackend {
  const made = new Map<string, Picture | undefined>();
  return {
    ...backend,
    picture(node) {
      const { blob, palette } = node;
      if (palette) return backend.picture(node);
      if (!made.has(blob)) {
        const picture = backend.picture(node);
        made.set(blob, picture && greyPicture(picture, backend, greyOf));
      }
      return made.get(blob);
    },
  };
}

function greyPicture({ width, height, levels }: Picture, backend: CanvasBackend, greyOf: GreyOf): Picture {
  const surface = backend.createSurface(width, height);
  backend.drawPixels(surface.context, levels[0]?.pixels, { x: 0, y: 0, width, height });
  const data = surface.read();
  for (let at = 0; at < data.length; at += 4) {
    data.fill(greyOf(data[at] as number, data[at + 1] as number, data[at + 2] as number), at, at + 3);
  }
  return pictureOf(data, width, height, (level, w, h) => {
    const sheet = backend.createSurface(w, h);
    sheet.write(level, w, 0);
    return sheet.pixels;
  });
}

/** The light that a colour of sRGB gives off, 0 to 1 (relative luminance): dots let through as much of the paper (Murray and Davies, 1936). */
function lightOf(r: number, g: number, b: number): number {
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
}

function linear(channel: number): number {
  const share = channel / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
}
