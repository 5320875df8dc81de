import { expose } from 'comlink';
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
};
expose(service);
