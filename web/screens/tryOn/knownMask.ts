import { applyMaskStep, fullMask, type MaskedPhoto, type MaskStep } from '../../../core/tryon/index.ts';

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
