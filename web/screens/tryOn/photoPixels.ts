import { useEffect, useState } from 'react';
import { applyMaskStep, fullMask, type MaskedPhoto, type MaskStep } from '../../../core/tryon/index.ts';

/** Longer side that a mask is shown with, px; the server makes it anew at the photograph's own size. */
const MOST_SIDE = 600;

/** A photograph's pixels, small enough for its masks to follow the hand. */
export function usePhotoPixels(
  url: string,
  { width, height }: { readonly width: number; readonly height: number },
): MaskedPhoto | undefined {
  const [pixels, setPixels] = useState<MaskedPhoto>();
  useEffect(() => {
    const image = new Image();
    let isWanted = true;
    image.onload = () => {
      const scale = Math.min(1, MOST_SIDE / Math.max(width, height));
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
      const context = canvas.getContext('2d', { willReadFrequently: true });
      if (!context || !isWanted) return;
      context.drawImage(image, 0, 0, canvas.width, canvas.height);
      const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
      setPixels({ data, width: canvas.width, height: canvas.height, scale });
    };
    image.src = url;
    return () => void (isWanted = false);
  }, [url, width, height]);
  return pixels;
}

/** A mask, and what had been done to it then. */
export interface KnownMask {
  readonly photo: MaskedPhoto;
  readonly steps: readonly MaskStep[];
  readonly mask: Uint8Array;
}

/** The mask after some steps. What was done last is done upon what is known, so that a stroke need not wait for those before it. */
export function makeMask(photo: MaskedPhoto, steps: readonly MaskStep[], known: KnownMask | undefined): KnownMask {
  const goesOn = known?.photo === photo && known.steps.every((step, n) => steps[n] === step) ? known : undefined;
  const mask = goesOn ? Uint8Array.from(goesOn.mask) : fullMask(photo);
  for (const step of steps.slice(goesOn?.steps.length ?? 0)) applyMaskStep(mask, step, photo);
  return { photo, steps, mask };
}
