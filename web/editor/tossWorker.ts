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
  type Outline,
  outlineOf,
} from '../../core/check/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import { asDrawn, colourwayOf, type Design, type Placement } from '../../core/document/index.ts';
import { compose, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import { labelColours, labelPixels, measureInks } from '../../core/colourway/index.ts';
import { latticeOf, pixelGrid, tileOf } from '../../core/lattice/index.ts';
import {
  type Artwork,
  drawnById,
  flatInksOf,
  type Motif,
  naturalHeight,
  type Silhouette,
  silhouetteOf,
} from '../../core/motif/index.ts';
import { cellWindow, paintArtwork, paintPlane, sceneOf, SpriteCache } from '../../core/paint/index.ts';
import { type Separation, separating } from '../../core/separate/index.ts';
import {
  type CircleCover,
  coverWithCircles,
  fillHoles,
  findHoles,
  mainInk,
  obstaclesOf,
  scatterAlong,
  settle,
  toss,
  type Tossable,
  TossError,
} from '../../core/toss/index.ts';
import { ArtworkStore } from '../cloth/artworkStore.ts';
import { browserSurface } from '../cloth/browserBackend.ts';
import type { MeasuredInks, TossAnswer, TossOrder, TossResults, TossTask } from './tossMessages.ts';
import { messageOf } from '../../core/problem/index.ts';

/** Places along the longer side of a motif's raster. */
const RASTER = 160;
/** What is laid is told this often, and as often it is asked whether to stop, ms. */
const TELL_MS = 50;

/** A motif as it is tossed and as distances are measured from it. */
interface Shape extends Tossable {
  readonly outline: Outline;
}

const shelf = new ArtworkStore();
const shapes = new Map<string, Shape>();
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
  for (const motif of motifs) if (needed.has(motif.id)) known.set(motif.id, await shapeOf(motif));
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
      return findHoles(lattice, obstaclesOf(seen, known).rounds, task.least, task.most);
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

/** The cell as it is printed, told apart by its inks. */
async function coverage(design: Design, motifs: readonly Motif[], inks: readonly Hex[]): Promise<Coverage> {
  const used = new Set(design.placements.map(({ motif }) => motif));
  const drawn = await Promise.all(motifs.filter(({ id }) => used.has(id)).map((motif) => shelf.fetch(motif)));
  const grid = pixelGrid(design.repeat, coverageScale(latticeOf(design.repeat).domain));
  const { width, height } = grid.cell;
  const sheet = browserSurface(width, height);
  paintPlane(
    sheet.context,
    { scene: sceneOf(design, drawnById(drawn)), grid, window: cellWindow(grid) },
    shelf.backend,
    { bare: true, sprites },
  );
  return measureCoverage(sheet.context.getImageData(0, 0, width, height).data, grid, inks);
}

/** The tile with each ink in a colour that stands for it, measured. */
async function measureInksOf(design: Design, motifs: readonly Motif[]): Promise<MeasuredInks> {
  const labels = labelColours(design.inks.length);
  const colours = Object.fromEntries(design.inks.map(({ id }, n) => [id, labels[n] as Hex]));
  const used = new Set(design.placements.map(({ motif }) => motif));
  const drawn = await Promise.all(motifs.filter(({ id }) => used.has(id)).map((motif) => shelf.fetch(motif)));
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
  return { ...measureInks(seen, width, height, labels.length), mmPerPixel: 1 / grid.scaleX };
}

/** Pixels of a tile that is shown as plates. */
const PLATE_PIXELS = 1_200_000;

/** The tile taken apart, at a scale to look at. */
async function separateTile(
  design: Design,
  motifs: readonly Motif[],
  { order, colourway }: Extract<TossTask, { kind: 'plates' }>,
): Promise<Separation> {
  const used = new Set(design.placements.map(({ motif }) => motif));
  const drawn = await Promise.all(motifs.filter(({ id }) => used.has(id)).map((motif) => shelf.fetch(motif)));
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
  const data = pixelsOf(artwork, width, height);
  const inks = flatInksOf(artwork);
  return { data: labelEdges(data, width, height, inks, HALF), width, height, inks: inks.length };
}

/** A motif's artwork by itself, as it was drawn: RGBA. */
function pixelsOf({ view, nodes }: Artwork, width: number, height: number): Uint8ClampedArray {
  const surface = browserSurface(width, height);
  paintArtwork(
    surface.context,
    nodes,
    compose(scalingMatrix(width / view.width, height / view.height), translationMatrix(-view.x, -view.y)),
    { backend: shelf.backend, resolve: asDrawn, width, height },
  );
  return surface.context.getImageData(0, 0, width, height).data;
}

async function shapeOf(motif: Motif): Promise<Shape> {
  const key = `${motif.artwork} ${motif.width}`;
  const kept = shapes.get(key);
  if (kept) return kept;
  const { artwork } = await shelf.fetch(motif);
  const { view } = artwork;
  const scale = RASTER / Math.max(view.width, view.height);
  const [width, height] = [Math.max(1, Math.round(view.width * scale)), Math.max(1, Math.round(view.height * scale))];
  const data = pixelsOf(artwork, width, height);
  const silhouette = silhouetteOf(data, width, height);
  const shape = lazyShape(silhouette, motif, mainInk(data, motif.inks));
  shapes.set(key, shape);
  return shape;
}

/** A toss asks for rounds and a check for outlines; either takes a while, and is made when it is asked for. */
function lazyShape(silhouette: Silhouette, motif: Motif, ink: string): Shape {
  let rounds: CircleCover | undefined;
  let outline: Outline | undefined;
  return {
    ink,
    get rounds() {
      return (rounds ??= coverWithCircles(silhouette, motif));
    },
    get outline() {
      return (outline ??= outlineOf(silhouette, motif));
    },
  };
}
