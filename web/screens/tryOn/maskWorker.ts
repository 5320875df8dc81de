import { expose, transfer } from 'comlink';
import type { MaskedPhoto, MaskStep } from '../../../core/tryon/index.ts';
import type { MaskService } from './maskMessages.ts';
import { type KnownMask, makeMask } from './knownMask.ts';

/** Longer side that a mask is shown with, px; the server makes it anew at the photograph's own size. */
const MOST_SIDE = 600;
/** How opaque what is hidden is shown, so that it can still be made out. */
const VEIL = 0.72;

let photo: MaskedPhoto | undefined;
let steps: readonly MaskStep[] = [];
let known: KnownMask | undefined;

const service: MaskService = {
  async open(url, { width, height }) {
    const scale = Math.min(1, MOST_SIDE / Math.max(width, height));
    const [wide, high] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
    const response = await fetch(url);
    if (!response.ok) throw new Error('The photograph could not be read.');
    const image = await createImageBitmap(await response.blob());
    const context = new OffscreenCanvas(wide, high).getContext('2d');
    if (!context) throw new Error('This browser has no canvas to read the photograph with.');
    context.drawImage(image, 0, 0, wide, high);
    image.close();
    photo = { data: context.getImageData(0, 0, wide, high).data, width: wide, height: high, scale };
    steps = [];
    known = undefined;
  },
  hidden(kept, added, stroke) {
    if (!photo) throw new Error('a mask was asked for before its photograph was given');
    // Those that are kept stay the same objects, by which the mask so far is known.
    steps = [...steps.slice(0, kept), ...added];
    known = makeMask(photo, steps, known);
    const { mask } = stroke ? makeMask(photo, [...steps, stroke], known) : known;
    const { width, height, scale } = photo;
    const pixels = new Uint8ClampedArray(mask.length * 4).fill(255);
    for (let pixel = 0; pixel < mask.length; pixel += 1) pixels[pixel * 4 + 3] = (255 - (mask[pixel] as number)) * VEIL;
    return transfer({ width, height, scale, pixels }, [pixels.buffer]);
  },
};
expose(service);
