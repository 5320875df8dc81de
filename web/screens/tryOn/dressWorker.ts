import { expose, transfer } from 'comlink';
import { LRUCache } from 'lru-cache';
import { drawnById } from '../../../core/motif/index.ts';
import { type Scene, sceneOf } from '../../../core/paint/index.ts';
import type { Repeat } from '../../../core/lattice/index.ts';
import {
  densityOn,
  dress,
  type Dressing,
  dressRoughly,
  fillOf,
  paintTile,
  type PatternPyramid,
  pieceMap,
  prepareStage,
  type Product,
  type ProductDrawing,
  sceneSize,
  sourceKey,
  type Stage,
  tileDensity,
} from '../../../core/tryon/index.ts';
import { ArtworkStore } from '../../cloth/artworkStore.ts';
import type { DressService, DressWish } from './dressMessages.ts';

/** Of the picture that pieces are found on, px. */
const MAP_SIDE = 480;
/** Tiles of one pattern are painted with so many pixels at the most on the screen. */
const MOST_PIXELS = 6e6;

interface Pattern {
  readonly state: string;
  readonly repeat: Repeat;
  readonly scene: Promise<Scene>;
  painted: { readonly density: number; readonly pyramid: PatternPyramid } | undefined;
}

const store = new ArtworkStore();
const products = new Map<string, { readonly product: Product; readonly drawing: ProductDrawing }>();
const patterns = new LRUCache<string, Pattern>({ max: 12 });
/** By product, size and part: the picture at rest, the one while the hand moves, and the one that pieces are found on. */
const stages = new LRUCache<string, Stage>({ max: 4 });

function stageOf(id: string, side: number, part = 0, parts = 1): Stage {
  const key = `${id} ${side} ${part} ${parts}`;
  let stage = stages.get(key);
  if (!stage) {
    const { product, drawing } = productOf(id);
    const { width, height, scale } = sceneSize(product, side);
    const [top, bottom] = [Math.round((height * part) / parts), Math.round((height * (part + 1)) / parts)];
    stage = prepareStage(product, drawing, { left: 0, top, right: width, bottom }, scale, store.backend);
    stages.set(key, stage);
  }
  return stage;
}

function productOf(id: string): { readonly product: Product; readonly drawing: ProductDrawing } {
  const known = products.get(id);
  if (!known) throw new Error(`the product ${id} was not given`);
  return known;
}

/** Every pattern that is used, as fine as it is seen anywhere; while the hand moves as it was painted last. */
async function pyramids({ tryOn, side, isQuick }: DressWish): Promise<Map<string, PatternPyramid>> {
  const wished = new Map<string, number>();
  const { product } = productOf(tryOn.product);
  for (const { id } of product.pieces) {
    const fill = fillOf(tryOn, id);
    const key = sourceKey(fill.source);
    // Found on the whole of the picture, so that all of its parts are painted alike.
    const density = isQuick ? 0 : (densityOn(stageOf(product.id, MAP_SIDE), id) * side * fill.scale) / MAP_SIDE;
    wished.set(key, Math.max(density, wished.get(key) ?? 0));
  }
  const found = new Map<string, PatternPyramid>();
  for (const [key, wish] of wished) {
    const pattern = patterns.get(key);
    if (!pattern) continue;
    const density = tileDensity(pattern.repeat, wish, MOST_PIXELS);
    if (!pattern.painted || (!isQuick && pattern.painted.density !== density))
      pattern.painted = {
        density,
        pyramid: paintTile(await pattern.scene, pattern.repeat, density, store.backend),
      };
    found.set(key, pattern.painted.pyramid);
  }
  return found;
}

const service: DressService = {
  async setProduct(product, drawing) {
    const outlines = drawing.outlines.map(({ artwork }) => artwork);
    await Promise.all(
      [drawing.under, drawing.light, drawing.over, ...outlines].map((layer) => store.fetchPictures(layer)),
    );
    products.set(product.id, { product, drawing });
  },
  setPattern(key, state, { design, motifs }) {
    if (patterns.get(key)?.state === state) return;
    const used = new Set(design.placements.map(({ motif }) => motif));
    const drawn = Promise.all(motifs.filter(({ id }) => used.has(id)).map((motif) => store.fetch(motif)));
    const scene = drawn.then((all) => sceneOf(design, drawnById(all)));
    // Whoever asks for the picture is told.
    scene.catch(() => patterns.delete(key));
    patterns.set(key, { state, repeat: design.repeat, scene, painted: undefined });
  },
  async dress(wish) {
    const began = performance.now();
    const painted = await pyramids(wish);
    const stage = stageOf(wish.tryOn.product, wish.side, wish.part, wish.parts);
    const dressings = new Map(
      stage.pieces.map(({ piece: { id } }): [string, Dressing] => {
        const fill = fillOf(wish.tryOn, id);
        return [id, { fill, pattern: painted.get(sourceKey(fill.source)) }];
      }),
    );
    const pixels = (wish.isQuick ? dressRoughly : dress)(stage, dressings);
    const { width, height } = stage;
    return transfer({ width, height, pixels, took: performance.now() - began }, [pixels.buffer]);
  },
  mapPieces(product) {
    return pieceMap(stageOf(product, MAP_SIDE));
  },
};
expose(service);
