import { useSwatchMutation } from '../../api/swatches.ts';
import { useRemoval } from '../../ui/useRemoval.ts';
import { TEXTS } from './texts.ts';

/** Deletes a swatch, with a way back. */
export const useSwatchRemoval = () => useRemoval(useSwatchMutation(), TEXTS.nameWasDeletedFromThe);
