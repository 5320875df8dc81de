import { array } from 'yup';
import { hexSchema } from '../colour/index.ts';
import { orMissing, ofWhole } from '../schema/index.ts';

/** Colours of a picture's palette, at least and at most. */
export const [FEWEST_PALETTE, MOST_PALETTE] = [3, 8];

/** The colours that a motif's pictures are taken for mixtures of; its pictures are left as they are without. */
export const picturePaletteSchema = orMissing(
  array(hexSchema)
    .min(1)
    .max(MOST_PALETTE)
    .test(
      'once',
      'each colour is there once',
      ofWhole((colours) => !colours || new Set(colours).size === colours.length),
    ),
);
