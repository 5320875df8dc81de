import { expose } from 'comlink';
import { pixelGrid } from '../../../core/lattice/index.ts';
import { drawnById } from '../../../core/motif/index.ts';
import { paintPlane, sceneOf } from '../../../core/paint/index.ts';
import { layingOut, pieceMasks, printedCloth } from '../../../core/tryon/index.ts';
import { ArtworkStore } from '../../cloth/artworkStore.ts';
import type { LaidOut, LayService } from './layMessages.ts';

/** The page is told of a better plan at most so often, ms. */
const TELL_MS = 150;

const service: LayService = {
  layOut(product, drawing, wish, kept, tries, onBetter) {
    const masks = pieceMasks(product, drawing, wish.cell, new ArtworkStore().backend);
    const printed = kept && printedCloth(kept.tryOn, product, kept.repeat, masks, wish.width);
    let latest: LaidOut | undefined;
    let told = 0;
    let n = 0;
    for (const plan of layingOut(masks, { ...wish, printed }, tries)) {
      n += 1;
      latest = { plan, masks, tries: n };
      if (performance.now() - told < TELL_MS) continue;
      told = performance.now();
      onBetter(latest);
    }
    return Promise.resolve(latest ?? { plan: { pieces: [], length: 0, used: 0 }, masks, tries: 0 });
  },
  async paint(design, motifs, part, density) {
    const store = new ArtworkStore();
    const used = new Set(design.placements.map(({ motif }) => motif));
    const drawn = await Promise.all(motifs.filter(({ id }) => used.has(id)).map((motif) => store.fetch(motif)));
    const grid = pixelGrid(design.repeat, density);
    const { scaleX, scaleY } = grid;
    const window = {
      left: Math.floor(part.left * scaleX),
      top: Math.floor(part.top * scaleY),
      right: Math.ceil(part.right * scaleX),
      bottom: Math.ceil(part.bottom * scaleY),
    };
    const [width, height] = [window.right - window.left, window.bottom - window.top];
    const { context, read } = store.backend.createSurface(width, height);
    paintPlane(context, { scene: sceneOf(design, drawnById(drawn)), grid, window }, store.backend);
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')?.putImageData(new ImageData(new Uint8ClampedArray(read()), width, height), 0, 0);
    return {
      blob: await canvas.convertToBlob(),
      left: window.left / scaleX,
      top: window.top / scaleY,
      right: window.right / scaleX,
      bottom: window.bottom / scaleY,
    };
  },
};
expose(service);
