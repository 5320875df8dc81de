import { seenOnGround } from '../../core/arrange/index.ts';
import {
  findFineDetail,
  type FineDetail,
  labelEdges,
  leastScale,
  thinnestLine,
  thinnestPart,
  findFindings,
} from '../../core/check/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import { colourwayOf, type Design, type Placement } from '../../core/document/index.ts';
import { fillRegion, type FoundRegion } from '../../core/draw/index.ts';
import { latticeOf, pixelGrid, tileOf } from '../../core/lattice/index.ts';
import { drawnById, flatInksOf, type Motif, naturalHeight } from '../../core/motif/index.ts';
import { SpriteCache } from '../../core/paint/index.ts';
import { type Separation, separating } from '../../core/separate/index.ts';
import { fillHoles, findHoles, obstaclesOf, scatterAlong, settle, toss, TossError } from '../../core/toss/index.ts';
import { ArtworkStore } from '../cloth/artworkStore.ts';
import { drawnLines } from '../cloth/drawnLines.ts';
import { MotifShapes, pixelsOf, type Shape } from './motifShapes.ts';
import type { TossAnswer, TossOrder, TossResults, TossTask } from './tossMessages.ts';
import { messageOf } from '../../core/problem/index.ts';
import { ClothMeasures } from './clothMeasures.ts';

/** What is laid is told this often, and as often it is asked whether to stop, ms. */
const TELL_MS = 50;

const shelf = new ArtworkStore();
const shapes = new MotifShapes(shelf);
const sprites = new SpriteCache(shelf.backend);
const cloth = new ClothMeasures(shelf, sprites);
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
      return findHoles(lattice, await cloth.drawn({ ...design, placements: seen }, motifs), task.least, task.most);
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
      return cloth.inks(design, motifs);
    case 'plates':
      return separateTile(design, motifs, task);
    case 'joins':
      return cloth.joins(design, motifs);
    case 'check': {
      const inks = design.inks.map(({ id: ink }) => colourwayOf(design).colours[ink] as Hex);
      const outlines = new Map([...known].map(([motif, { outline }]) => [motif, outline]));
      return findFindings(
        lattice,
        seen,
        outlines,
        await cloth.coverage(design, motifs, inks),
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
  const drawn = drawnById(await cloth.artworks(design, motifs));
  return fillRegion((window) => drawnLines(design, drawing, drawn, shelf.backend, window), at);
}

/** Pixels of a tile that is shown as plates. */
const PLATE_PIXELS = 1_200_000;

/** The tile taken apart, at a scale to look at. */
async function separateTile(
  design: Design,
  motifs: readonly Motif[],
  { order, colourway }: Extract<TossTask, { kind: 'plates' }>,
): Promise<Separation> {
  const drawn = await cloth.artworks(design, motifs);
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
