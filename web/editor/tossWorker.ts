import { seenOnGround } from '../../core/arrange/index.ts';
import {
  type Coverage,
  findFineDetail,
  type FineDetail,
  labelEdges,
  leastScale,
  thinnestLine,
  thinnestPart,
  coverageScale,
  findFindings,
  measureCoverage,
} from '../../core/check/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import { colourwayOf, type Design, type Placement } from '../../core/document/index.ts';
import { fillRegion, type FoundRegion } from '../../core/draw/index.ts';
import { labelColours, labelPixels, measureEdges } from '../../core/colourway/index.ts';
import { latticeOf, type PixelGrid, pixelGrid, tileOf } from '../../core/lattice/index.ts';
import {
  drawnById,
  type DrawnMotif,
  flatInksOf,
  type Motif,
  naturalHeight,
  silhouetteOf,
} from '../../core/motif/index.ts';
import { cellWindow, paintPlane, sceneOf, SpriteCache } from '../../core/paint/index.ts';
import { type InkShares, measureShares, type Separation, separating } from '../../core/separate/index.ts';
import {
  BODY_ALPHA,
  type DrawnCell,
  fillHoles,
  findHoles,
  obstaclesOf,
  scatterAlong,
  settle,
  toss,
  TossError,
} from '../../core/toss/index.ts';
import { ArtworkStore } from '../cloth/artworkStore.ts';
import { browserSurface } from '../cloth/browserBackend.ts';
import { drawnLines } from '../cloth/drawnLines.ts';
import { MotifShapes, pixelsOf, type Shape } from './motifShapes.ts';
import type { MeasuredInks, TossAnswer, TossOrder, TossResults, TossTask } from './tossMessages.ts';
import { messageOf } from '../../core/problem/index.ts';

/** What is laid is told this often, and as often it is asked whether to stop, ms. */
const TELL_MS = 50;

const shelf = new ArtworkStore();
const shapes = new MotifShapes(shelf);
const sprites = new SpriteCache(shelf.backend);
const stopped = new Set<number>();
const port = self as unknown as {
  postMessage(answer: TossAnswer): void;
  onmessage: ((event: MessageEvent<TossOrder>) => void) | null;
};

port.onmessage = ({ data }) => {
  if ('stop' in data) {
    stopped.add(data.stop);
    return;
  }
  const { id } = data;
  answer(data).then(
    (done) => port.postMessage({ id, done }),
    (error: unknown) =>
      port.postMessage({
        id,
        failed: messageOf(error),
        expected: error instanceof TossError,
      }),
  );
};

async function answer(order: Extract<TossOrder, { id: number }>): Promise<TossResults[keyof TossResults]> {
  const { design, motifs, task } = order;
  const needed = new Set([
    ...design.placements.map(({ motif }) => motif),
    ...('recipe' in task ? task.recipe.entries.map(({ motif }) => motif) : []),
    ...('scatter' in task ? task.scatter.motifs : []),
  ]);
  const known = new Map<string, Shape>();
  for (const motif of motifs) if (needed.has(motif.id)) known.set(motif.id, await shapes.of(motif));
  return done(order, known);
}

async function done(
  { id, design, motifs, task }: Extract<TossOrder, { id: number }>,
  known: ReadonlyMap<string, Shape>,
): Promise<TossResults[keyof TossResults]> {
  const lattice = latticeOf(design.repeat);
  const seen = seenOnGround(design);
  switch (task.kind) {
    case 'toss': {
      const tossing = toss(lattice, task.recipe, known, obstaclesOf(seen, known), task.from);
      let told = performance.now();
      for (let step = tossing.next(); ; step = tossing.next()) {
        if (step.done || stopped.has(id)) return step.value;
        if (performance.now() - told < TELL_MS) continue;
        port.postMessage({ id, progress: step.value });
        // Lets a word to stop be heard.
        await new Promise((resolve) => setTimeout(resolve));
        told = performance.now();
      }
    }
    case 'holes':
      return findHoles(lattice, await drawnOf({ ...design, placements: seen }, motifs), task.least, task.most);
    case 'fill':
      return fillHoles(lattice, task.holes, task.recipe, known, seen);
    case 'scatter':
      return scatterAlong(lattice, task.line, task.scatter, known, obstaclesOf(seen, known).rounds);
    case 'settle':
      return settle(
        lattice,
        seen,
        new Set(task.chosen),
        new Map([...known].map(([motif, { rounds }]) => [motif, rounds])),
        task.turning,
      );
    case 'fine':
      return fineDetailOf(seen, motifs, task.dpi);
    case 'area':
      return areaAbout(design, motifs, task);
    case 'inks':
      return measureInksOf(design, motifs);
    case 'plates':
      return separateTile(design, motifs, task);
    case 'check': {
      const inks = design.inks.map(({ id: ink }) => colourwayOf(design).colours[ink] as Hex);
      const outlines = new Map([...known].map(([motif, { outline }]) => [motif, outline]));
      return findFindings(
        lattice,
        seen,
        outlines,
        await coverage(design, motifs, inks),
        inks.length,
        (motif) => known.get(motif)?.ink,
        task,
      );
    }
  }
}

/** The area about a place that is closed off by all that is seen. */
async function areaAbout(
  design: Design,
  motifs: readonly Motif[],
  { at, drawing }: Extract<TossTask, { kind: 'area' }>,
): Promise<FoundRegion> {
  const drawn = drawnById(await artworksOf(design, motifs));
  return fillRegion((window) => drawnLines(design, drawing, drawn, shelf.backend, window), at);
}

/** The motifs that the design uses, with their artwork. */
function artworksOf({ placements }: Design, motifs: readonly Motif[]): Promise<DrawnMotif[]> {
  const used = new Set(placements.map(({ motif }) => motif));
  return Promise.all(motifs.filter(({ id }) => used.has(id)).map((motif) => shelf.fetch(motif)));
}

/** The cell as it is printed, told apart by its inks. */
async function coverage(design: Design, motifs: readonly Motif[], inks: readonly Hex[]): Promise<Coverage> {
  const { grid, data } = await bareCell(design, motifs);
  return measureCoverage(data, grid, inks);
}

/** Where anything is seen on the ground of a cell. */
async function drawnOf(design: Design, motifs: readonly Motif[]): Promise<DrawnCell> {
  const { grid, data } = await bareCell(design, motifs);
  const { width, height } = grid.cell;
  return { grid, solid: silhouetteOf(data, width, height, BODY_ALPHA).solid };
}

/** A cell painted without its ground: RGBA. */
async function bareCell(
  design: Design,
  motifs: readonly Motif[],
): Promise<{ readonly grid: PixelGrid; readonly data: Uint8ClampedArray }> {
  const drawn = await artworksOf(design, motifs);
  const grid = pixelGrid(design.repeat, coverageScale(latticeOf(design.repeat).domain));
  const { width, height } = grid.cell;
  const sheet = browserSurface(width, height);
  paintPlane(
    sheet.context,
    { scene: sceneOf(design, drawnById(drawn)), grid, window: cellWindow(grid) },
    shelf.backend,
    { bare: true, sprites },
  );
  return { grid, data: sheet.context.getImageData(0, 0, width, height).data };
}

/** Pixels of a tile that shares are measured on: softened edges count as what they cover, so that few are enough. */
const SHARE_PIXELS = 100_000;

/** How much of the tile each ink covers, as its plates would print it. */
async function sharesOf(design: Design, motifs: readonly Motif[]): Promise<InkShares> {
  const tile = tileOf(design.repeat);
  const grid = pixelGrid(design.repeat, Math.min(2, Math.sqrt(SHARE_PIXELS / (tile.width * tile.height))));
  const window = { left: 0, top: 0, right: grid.tile.width, bottom: grid.tile.height };
  const drawn = drawnById(await artworksOf(design, motifs));
  return measureShares({ design, motifs: drawn, colourway: undefined, grid, window, backend: shelf.backend });
}

/** The tile with each ink in a colour that stands for it, measured. */
async function measureInksOf(design: Design, motifs: readonly Motif[]): Promise<MeasuredInks> {
  const labels = labelColours(design.inks.length);
  const colours = Object.fromEntries(design.inks.map(({ id }, n) => [id, labels[n] as Hex]));
  const drawn = await artworksOf(design, motifs);
  const scale = coverageScale(tileOf(design.repeat));
  const grid = pixelGrid(design.repeat, scale);
  const { width, height } = grid.tile;
  const surface = browserSurface(width, height);
  const labelled = { ...design, colourways: [{ id: 'labels', name: 'Labels', colours }] };
  const scene = sceneOf(labelled, drawnById(drawn), undefined, 'nearest');
  const window = { left: 0, top: 0, right: width, bottom: height };
  paintPlane(surface.context, { scene, grid, window }, shelf.backend, { sprites });
  const { data } = surface.context.getImageData(0, 0, width, height);
  const seen = labelPixels(
    data,
    labels.map((hex) => Number.parseInt(hex.slice(1), 16)),
  );
  const edges = measureEdges(seen, width, height);
  return { shares: await sharesOf(design, motifs), edges, mmPerPixel: 1 / grid.scaleX };
}

/** Pixels of a tile that is shown as plates. */
const PLATE_PIXELS = 1_200_000;

/** The tile taken apart, at a scale to look at. */
async function separateTile(
  design: Design,
  motifs: readonly Motif[],
  { order, colourway }: Extract<TossTask, { kind: 'plates' }>,
): Promise<Separation> {
  const drawn = await artworksOf(design, motifs);
  const tile = tileOf(design.repeat);
  const grid = pixelGrid(design.repeat, Math.sqrt(PLATE_PIXELS / (tile.width * tile.height)));
  const window = { left: 0, top: 0, right: grid.tile.width, bottom: grid.tile.height };
  const source = { design, motifs: drawnById(drawn), colourway, grid, window, backend: shelf.backend };
  const steps = separating(source, { ...order, depth: 'grey' });
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

/** Places across the thinnest line that is printed, so that thinner ones can be told. */
const LINE_PLACES = 6;
const FEWEST_PLACES = 3;
/** Alpha of a place that is half covered. */
const HALF = 128;
/** Along the longer side of a motif that is looked at for fine lines. */
const MOST_FINE_PLACES = 2400;

/** What is too fine in the motifs, each looked at once, at the smallest size that it has on the cloth. */
async function fineDetailOf(
  placements: readonly Placement[],
  motifs: readonly Motif[],
  dpi: number,
): Promise<readonly FineDetail[]> {
  const smallest = new Map<string, number>();
  for (const placement of placements)
    smallest.set(placement.motif, Math.min(smallest.get(placement.motif) ?? Infinity, leastScale(placement)));
  const thinnest = new Map<string, number>();
  for (const motif of motifs) {
    const scale = smallest.get(motif.id);
    if (scale === undefined || scale === 0) continue;
    const least = thinnestLine(dpi) / scale;
    const height = naturalHeight(motif);
    const places = Math.min(LINE_PLACES / least, MOST_FINE_PLACES / Math.max(motif.width, height));
    if (places * least < FEWEST_PLACES) continue;
    const labels = await labelsOf(motif, places);
    const width = thinnestPart(labels.data, labels.width, labels.height, labels.inks, places * least);
    if (width !== undefined) thinnest.set(motif.id, width / places);
  }
  return findFineDetail(placements, thinnest, dpi);
}

/** The ink of each place of a motif, counted from 1, and 0 where there is none; and how many inks there are. @param places to the mm of its natural size */
async function labelsOf(
  motif: Motif,
  places: number,
): Promise<{ readonly data: Uint8Array; readonly width: number; readonly height: number; readonly inks: number }> {
  const { artwork } = await shelf.fetch(motif);
  const { view } = artwork;
  const width = Math.max(1, Math.round(motif.width * places));
  const height = Math.max(1, Math.round((width * view.height) / view.width));
  const data = pixelsOf(artwork, width, height, shelf.backend);
  const inks = flatInksOf(artwork);
  return { data: labelEdges(data, width, height, inks, HALF), width, height, inks: inks.length };
}
