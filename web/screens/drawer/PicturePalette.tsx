import { useDeferredValue, useMemo, useState } from 'react';
import type { ListedMotif } from '../../../contract/index.ts';
import type { Hex } from '../../../core/colour/index.ts';
import { picturesOf } from '../../../core/motif/index.ts';
import { FEWEST_PALETTE, MOST_PALETTE, type Recipe } from '../../../core/recipe/index.ts';
import { liftPalette } from '../../../core/shelf/index.ts';
import { useArtwork, useSmallPixels } from '../../api/motifs.ts';
import { Button } from '../../ui/Button.tsx';
import { PaletteStrip } from '../../ui/PaletteStrip.tsx';
import { SliderField } from '../../ui/SliderField.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly motif: Pick<ListedMotif, 'artwork' | 'recipe'>;
  readonly onRecipe: (recipe: Recipe) => void;
}

const USUAL = 5;

/** Gives a motif's pictures a palette, so that inks change them as they change shapes; or takes it off again. */
export function PicturePalette({ motif, onRecipe }: Props) {
  const { recipe } = motif;
  const merged = recipe?.kind === 'merged' ? recipe : undefined;
  const made = recipe?.kind === 'scan' || recipe?.kind === 'tile' ? recipe : undefined;
  // Bundles and built motifs have what their parts have.
  const canHave = recipe === null || merged !== undefined || made !== undefined;
  const artwork = useArtwork(canHave ? motif.artwork : undefined);
  const pictures = artwork.data ? picturesOf(artwork.data) : [];
  const pixels = useSmallPixels(pictures);
  const given = (merged ?? made)?.palette;
  const [count, setCount] = useState(given?.length ?? USUAL);
  // The slider goes on while colours are found.
  const wanted = useDeferredValue(count);
  const lifted = useMemo(() => (pixels ? liftPalette(pixels, wanted) : []), [pixels, wanted]);
  const isGiven = given?.length === wanted;
  const palette = isGiven ? given.map((colour) => ({ colour, share: 1 / given.length })) : lifted;
  if (!canHave || pictures.length === 0) return null;
  const give = (colours: readonly Hex[] | undefined): void =>
    onRecipe(
      made
        ? { ...made, palette: colours }
        : {
            kind: 'merged',
            original: merged?.original ?? motif.artwork,
            within: merged?.within ?? 0,
            palette: colours,
          },
    );
  return (
    <section aria-label={TEXTS.palette} className="grid grid-cols-1 gap-2">
      <h2 className="text-xs text-graphite">{TEXTS.palette}</h2>
      <SliderField
        label={TEXTS.coloursOfThePalette}
        value={count}
        min={FEWEST_PALETTE}
        max={MOST_PALETTE}
        step={1}
        onChange={setCount}
      />
      <PaletteStrip palette={palette} />
      <p className="text-xs text-graphite">{given ? TEXTS.itFollowsItsInks : TEXTS.itIsPrintedAsItIs}</p>
      <div className="flex flex-wrap justify-end gap-2">
        {given && <Button onClick={() => give(undefined)}>{TEXTS.takeThePaletteOff}</Button>}
        <Button
          look={given ? 'plain' : 'accent'}
          disabled={palette.length === 0 || isGiven}
          onClick={() => give(palette.map(({ colour }) => colour))}
        >
          {TEXTS.giveItThisPalette}
        </Button>
      </div>
    </section>
  );
}
