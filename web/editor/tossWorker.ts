import {
  type Coverage,
  coverageScale,
  findFindings,
  measureCoverage,
  type Outline,
  outlineOf,
} from '../../core/check/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import { asDrawn, colourwayOf, type Design } from '../../core/document/index.ts';
import { compose, scalingMatrix, translationMatrix } from '../../core/geometry/index.ts';
import { labelColours, labelPixels, measureInks } from '../../core/colourway/index.ts';
import { latticeOf, pixelGrid, tileOf } from '../../core/lattice/index.ts';
import { drawnById, type Motif, type Silhouette, silhouetteOf } from '../../core/motif/index.ts';
import { cellWindow, paintArtwork, paintPlane, sceneOf, SpriteCache } from '../../core/paint/index.ts';
import {
  type CircleCover,
  coverWithCircles,
  fillHoles,
  findHoles,
  mainInk,
  obstaclesOf,
  settle,
  toss,
  type Tossable,
  TossError,
} from '../../core/toss/index.ts';
import { ArtworkStore } from '../cloth/artworkStore.ts';
import { browserSurface } from '../cloth/browserBackend.ts';
import type { MeasuredInks, TossAnswer, TossOrder, TossResults } from './tossMessages.ts';
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
  const hidden = new Set(design.layers.filter(({ shown }) => !shown).map(({ id: layer }) => layer));
  const seen = design.placements.filter(({ layer }) => !hidden.has(layer));
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
    case 'settle':
      return settle(
        lattice,
        seen,
        new Set(task.chosen),
        new Map([...known].map(([motif, { rounds }]) => [motif, rounds])),
        task.turning,
      );
    case 'inks':
      return measureInksOf(design, motifs);
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
  const scene = sceneOf({ ...design, colourways: [{ id: 'labels', name: 'Labels', colours }] }, drawnById(drawn));
  const window = { left: 0, top: 0, right: width, bottom: height };
  paintPlane(surface.context, { scene, grid, window }, shelf.backend, { sprites });
  const { data } = surface.context.getImageData(0, 0, width, height);
  const seen = labelPixels(
    data,
    labels.map((hex) => Number.parseInt(hex.slice(1), 16)),
  );
  return { ...measureInks(seen, width, height, labels.length), mmPerPixel: 1 / grid.scaleX };
}

async function shapeOf(motif: Motif): Promise<Shape> {
  const key = `${motif.artwork} ${motif.width}`;
  const kept = shapes.get(key);
  if (kept) return kept;
  const { artwork } = await shelf.fetch(motif);
  const { view } = artwork;
  const scale = RASTER / Math.max(view.width, view.height);
  const [width, height] = [Math.max(1, Math.round(view.width * scale)), Math.max(1, Math.round(view.height * scale))];
  const sheet = browserSurface(width, height);
  paintArtwork(
    sheet.context,
    artwork.nodes,
    compose(scalingMatrix(width / view.width, height / view.height), translationMatrix(-view.x, -view.y)),
    { backend: shelf.backend, resolve: asDrawn, width, height },
  );
  const { data } = sheet.context.getImageData(0, 0, width, height);
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
