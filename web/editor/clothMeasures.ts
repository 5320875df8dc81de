import { brokenJoins, type Coverage, coverageScale, measureCoverage } from '../../core/check/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import { labelColours, labelPixels, measureEdges } from '../../core/colourway/index.ts';
import type { Design } from '../../core/document/index.ts';
import { latticeOf, type PixelGrid, pixelGrid, tileOf } from '../../core/lattice/index.ts';
import { drawnById, type DrawnMotif, type Motif, silhouetteOf } from '../../core/motif/index.ts';
import { cellWindow, paintPlane, sceneOf, type SpriteCache } from '../../core/paint/index.ts';
import { type InkShares, measureShares } from '../../core/separate/index.ts';
import { BODY_ALPHA, type DrawnCell } from '../../core/toss/index.ts';
import type { ArtworkStore } from '../cloth/artworkStore.ts';
import { browserSurface } from '../cloth/browserBackend.ts';
import type { JoinCheck, MeasuredInks } from './tossMessages.ts';

/** Pixels of a tile that shares are measured on: softened edges count as what they cover, so that few are enough. */
const SHARE_PIXELS = 100_000;

/** What is measured on a painted cell or tile. To be called in a worker. */
export class ClothMeasures {
  constructor(
    readonly shelf: ArtworkStore,
    readonly sprites: SpriteCache,
  ) {}

  /** The motifs that the design uses, with their artwork. */
  artworks({ placements }: Design, motifs: readonly Motif[]): Promise<DrawnMotif[]> {
    const used = new Set(placements.map(({ motif }) => motif));
    return Promise.all(motifs.filter(({ id }) => used.has(id)).map((motif) => this.shelf.fetch(motif)));
  }

  /** The cell as it is printed, told apart by its inks. */
  async coverage(design: Design, motifs: readonly Motif[], inks: readonly Hex[]): Promise<Coverage> {
    const { grid, data } = await this.#bareCell(design, motifs);
    return measureCoverage(data, grid, inks);
  }

  /** Where anything is seen on the ground of a cell. */
  async drawn(design: Design, motifs: readonly Motif[]): Promise<DrawnCell> {
    const { grid, data } = await this.#bareCell(design, motifs);
    const { width, height } = grid.cell;
    return { grid, solid: silhouetteOf(data, width, height, BODY_ALPHA).solid };
  }

  /** A cell painted without its ground: RGBA. */
  async #bareCell(
    design: Design,
    motifs: readonly Motif[],
  ): Promise<{ readonly grid: PixelGrid; readonly data: Uint8ClampedArray }> {
    const drawn = await this.artworks(design, motifs);
    const grid = pixelGrid(design.repeat, coverageScale(latticeOf(design.repeat).domain));
    const { width, height } = grid.cell;
    const sheet = browserSurface(width, height);
    paintPlane(
      sheet.context,
      { scene: sceneOf(design, drawnById(drawn)), grid, window: cellWindow(grid) },
      this.shelf.backend,
      { bare: true, sprites: this.sprites },
    );
    return { grid, data: sheet.context.getImageData(0, 0, width, height).data };
  }

  /** The cell as it is printed against a window as large that begins in its middle, so that all joins lie within. */
  async joins(design: Design, motifs: readonly Motif[]): Promise<JoinCheck> {
    const scene = sceneOf(design, drawnById(await this.artworks(design, motifs)));
    const grid = pixelGrid(design.repeat, coverageScale(latticeOf(design.repeat).domain));
    const { width, height } = grid.cell;
    const paint = (left: number, top: number): Uint8ClampedArray => {
      const { context } = browserSurface(width, height);
      const window = { left, top, right: left + width, bottom: top + height };
      paintPlane(context, { scene, grid, window }, this.shelf.backend, { sprites: this.sprites });
      return context.getImageData(0, 0, width, height).data;
    };
    const from = { x: Math.round(width / 2), y: Math.round(height / 2) };
    return { pixels: width * height, broken: brokenJoins(paint(0, 0), paint(from.x, from.y), grid, from) };
  }

  /** How much of the tile each ink covers, as its plates would print it. */
  async #shares(design: Design, motifs: readonly Motif[]): Promise<InkShares> {
    const tile = tileOf(design.repeat);
    const grid = pixelGrid(design.repeat, Math.min(2, Math.sqrt(SHARE_PIXELS / (tile.width * tile.height))));
    const window = { left: 0, top: 0, right: grid.tile.width, bottom: grid.tile.height };
    const drawn = drawnById(await this.artworks(design, motifs));
    return measureShares({ design, motifs: drawn, colourway: undefined, grid, window, backend: this.shelf.backend });
  }

  /** The tile with each ink in a colour that stands for it, measured. */
  async inks(design: Design, motifs: readonly Motif[]): Promise<MeasuredInks> {
    const labels = labelColours(design.inks.length);
    const colours = Object.fromEntries(design.inks.map(({ id }, n) => [id, labels[n] as Hex]));
    const drawn = await this.artworks(design, motifs);
    const scale = coverageScale(tileOf(design.repeat));
    const grid = pixelGrid(design.repeat, scale);
    const { width, height } = grid.tile;
    const surface = browserSurface(width, height);
    const labelled = { ...design, colourways: [{ id: 'labels', name: 'Labels', colours }] };
    const scene = sceneOf(labelled, drawnById(drawn), undefined, 'nearest');
    const window = { left: 0, top: 0, right: width, bottom: height };
    paintPlane(surface.context, { scene, grid, window }, this.shelf.backend, { sprites: this.sprites });
    const { data } = surface.context.getImageData(0, 0, width, height);
    const seen = labelPixels(
      data,
      labels.map((hex) => Number.parseInt(hex.slice(1), 16)),
    );
    const edges = measureEdges(seen, width, height);
    return { shares: await this.#shares(design, motifs), edges, mmPerPixel: 1 / grid.scaleX };
  }
}
