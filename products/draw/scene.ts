import { seeded } from '../../core/random/index.ts';
import type { Product } from '../../core/tryon/index.ts';
import { along, band, ellipse, type P } from '../../demo/draw/block.ts';

/** The colours that products are drawn in: the collection's inks, and paper, wood and skin beside them. */
const TONES = {
  indigo: '#22304a',
  madder: '#b5442f',
  weld: '#d8a63a',
  kelp: '#566f52',
  shell: '#dda189',
  chalk: '#f4ecdc',
  paper: '#fbf8f1',
  calico: '#ebe6da',
  linen: '#d9d1c0',
  wood: '#b98f62',
  bark: '#8f6a45',
  slate: '#8b93a0',
  black: '#000000',
  white: '#ffffff',
} as const;
type Tone = keyof typeof TONES;

type Piece = Product['pieces'][number];
type SeamEnd = NonNullable<Product['seams']>[number]['one'];
type Layer = 'under' | 'light' | 'over';

/** A stop of a gradient: where, and how dark (below nothing) or light (above it). */
type Stop = readonly [at: number, light: number];

export const straight = (points: readonly P[]): string => `M${points.map(pair).join('L')}Z`;
/** A closed smooth line. */
export const smooth = (points: readonly P[], spacing = 12): string => straight(along(points, true, spacing));
const pair = ([x, y]: P): string => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** A product being drawn: paper cut-outs below the cloth, light on it, and seams over it, with the unevenness of scissors. */
export class Scene {
  readonly #random: () => number;
  readonly #layers: { readonly [K in Layer]: string[] } = { under: [], light: [], over: [] };
  readonly #defs: string[] = [];
  readonly #outlines: string[] = [];
  readonly #pieces: Piece[] = [];
  readonly #seams: { one: SeamEnd; other: SeamEnd }[] = [];

  constructor(
    readonly about: Omit<Product, 'version' | 'pieces' | 'backdrop'> & { readonly backdrop?: Tone },
    seed: number,
  ) {
    this.#random = seeded(seed);
  }

  /** A piece of cloth with its outline. */
  piece(piece: Omit<Piece, 'grain'> & { readonly grain?: number }, path: string): this {
    this.#pieces.push({ grain: 0, ...piece });
    this.#outlines.push(`<path id="${piece.id}" fill="#ffffff" d="${path}"/>`);
    return this;
  }

  /** Two points that are sewn together, mm of the pieces' cloth. */
  seam(one: string, at: P, other: string, meets: P): this {
    const end = (piece: string, [x, y]: P): SeamEnd => ({ piece, x, y });
    this.#seams.push({ one: end(one, at), other: end(other, meets) });
    return this;
  }

  /** A cut-out with straight sides. */
  cut(layer: Layer, tone: Tone, points: readonly P[], opacity = 1, uneven = 0.7): this {
    const sides = points.flatMap((p, i): P[] => {
      const q = points[(i + 1) % points.length] as P;
      const count = Math.max(1, Math.round(Math.hypot(q[0] - p[0], q[1] - p[1]) / 40));
      return Array.from({ length: count }, (_, k): P => [
        p[0] + ((q[0] - p[0]) * k) / count,
        p[1] + ((q[1] - p[1]) * k) / count,
      ]);
    });
    return this.path(layer, tone, straight(this.#uneven(sides, uneven)), opacity);
  }

  /** A cut-out with a smooth outline. */
  shape(layer: Layer, tone: Tone, points: readonly P[], opacity = 1, uneven = 0.5): this {
    return this.path(layer, tone, straight(this.#uneven(along(points, true, 11), uneven)), opacity);
  }

  oval(layer: Layer, tone: Tone, [x, y]: P, rx: number, ry: number, opacity = 1): this {
    return this.shape(layer, tone, ellipse(x, y, rx, ry, 0, 18), opacity, 0.3);
  }

  /** A band along a line. */
  strip(layer: Layer, tone: Tone, line: readonly P[], width: number, opacity = 1, isSmooth = true): this {
    const points = isSmooth ? along(line, false, 9) : line;
    return this.path(
      layer,
      tone,
      straight(
        this.#uneven(
          band(points, () => width),
          Math.min(0.4, width / 8),
        ),
      ),
      opacity,
    );
  }

  /** A stroke that begins and ends thin: a fold, a crease. */
  fold(layer: Layer, tone: Tone, line: readonly P[], width: number, opacity: number): this {
    const profile = (t: number): number => width * Math.sin(Math.PI * Math.min(1, t * 0.94 + 0.03)) ** 0.8;
    return this.path(layer, tone, straight(band(along(line, false, 9), profile)), opacity);
  }

  /** A row of stitches. */
  stitches(line: readonly P[], tone: Tone = 'indigo', opacity = 0.55): this {
    const points = along(line, false, 4);
    for (let i = 0; i + 2 < points.length; i += 4)
      this.path('over', tone, straight(band(points.slice(i, i + 3), () => 1.7)), opacity);
    return this;
  }

  path(layer: Layer, tone: Tone, path: string, opacity = 1): this {
    const faint = opacity < 1 ? ` fill-opacity="${opacity}"` : '';
    this.#layers[layer].push(`<path fill="${TONES[tone]}"${faint} d="${path}"/>`);
    return this;
  }

  /** Light that changes evenly along a line. */
  shade(path: string, from: P, to: P, stops: readonly Stop[]): this {
    const id = this.#gradient('linearGradient', `x1="${from[0]}" y1="${from[1]}" x2="${to[0]}" y2="${to[1]}"`, stops);
    this.#layers.light.push(`<path fill="url(#${id})" d="${path}"/>`);
    return this;
  }

  /** Light that changes evenly around a point. */
  glow(path: string, [x, y]: P, radius: number, stops: readonly Stop[]): this {
    const id = this.#gradient('radialGradient', `cx="${x}" cy="${y}" r="${radius}"`, stops);
    this.#layers.light.push(`<path fill="url(#${id})" d="${path}"/>`);
    return this;
  }

  product(): Product {
    const { backdrop = 'calico', ...about } = this.about;
    return {
      version: 1,
      ...about,
      backdrop: TONES[backdrop],
      pieces: this.#pieces,
      ...(this.#seams.length > 0 && { seams: this.#seams }),
    };
  }

  svg(): string {
    const { name, width, height } = this.about;
    const layer = (id: Layer): string => `<g id="${id}">\n${this.#layers[id].join('\n')}\n</g>`;
    return [
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">`,
      `<title>${name}</title>`,
      `<defs>\n${this.#defs.join('\n')}\n</defs>`,
      layer('under'),
      `<g id="pieces">\n${this.#outlines.join('\n')}\n</g>`,
      layer('light'),
      layer('over'),
      '</svg>\n',
    ].join('\n');
  }

  #gradient(kind: string, where: string, stops: readonly Stop[]): string {
    const id = `light-${this.#defs.length + 1}`;
    // White with no opacity at all would still whiten the shade next to it, so the ends of a stretch share a colour.
    const written = stops.map(
      ([at, light]) =>
        `<stop offset="${at}" stop-color="${light > 0 ? '#ffffff' : '#000000'}" stop-opacity="${Math.abs(light)}"/>`,
    );
    this.#defs.push(`<${kind} id="${id}" gradientUnits="userSpaceOnUse" ${where}>${written.join('')}</${kind}>`);
    return id;
  }

  #uneven(points: readonly P[], by: number): P[] {
    const jitter = (): number => (this.#random() + this.#random() - 1) * by;
    return points.map(([x, y]): P => [x + jitter(), y + jitter()]);
  }
}
