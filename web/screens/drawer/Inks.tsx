import type { ListedMotif } from '../../../contract/index.ts';
import { useState } from 'react';
import type { Hex } from '../../../core/colour/index.ts';
import { groupInks, inksOf } from '../../../core/motif/index.ts';
import { FARTHEST_MERGE, type MergedRecipe } from '../../../core/recipe/index.ts';
import { useArtwork } from '../../api/motifs.ts';
import { Button } from '../../ui/Button.tsx';
import { SliderField } from '../../ui/SliderField.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly motif: ListedMotif;
  readonly onRecipe: (recipe: MergedRecipe) => void;
}

/** A motif's inks, and merging those that are nearly one, which can be taken back at any time. */
export function Inks({ motif, onRecipe }: Props) {
  const { recipe } = motif;
  const merged = recipe?.kind === 'merged' ? recipe : undefined;
  const original = merged?.original ?? motif.artwork;
  // Bundles and built motifs follow their own recipes; their inks are changed there.
  const canMerge = (recipe === null || merged !== undefined) && (merged !== undefined || motif.inks.length > 1);
  const artwork = useArtwork(canMerge ? original : undefined);
  const [within, setWithin] = useState<number>();
  const shown = within ?? merged?.within ?? 0;
  const inks = artwork.data ? inksOf(artwork.data) : motif.inks;
  const become = groupInks(inks, shown);
  const left = [...new Set(become.values())];
  return (
    <section aria-label={TEXTS.inks} className="grid gap-2">
      <Dots inks={within === undefined ? motif.inks : left} />
      {canMerge && inks.length > 1 && (
        <>
          <SliderField
            label={TEXTS.mergeInksNearerThan}
            value={shown}
            min={0}
            max={FARTHEST_MERGE}
            step={0.5}
            onChange={setWithin}
          />
          <div className="flex items-center gap-2">
            <p className="grow text-xs text-graphite" role="status">
              {inks.length === left.length
                ? TEXTS.countInksAllKeptApart(inks.length)
                : TEXTS.countInksBecomeLeftCount(inks.length, left.length)}
            </p>
            {within !== undefined && within !== (merged?.within ?? 0) && (
              <Button
                onClick={() => {
                  onRecipe({ kind: 'merged', original, within, palette: merged?.palette });
                  setWithin(undefined);
                }}
              >
                {within === 0 ? TEXTS.keepAllApart : TEXTS.merge}
              </Button>
            )}
          </div>
        </>
      )}
    </section>
  );
}

function Dots({ inks }: { readonly inks: readonly Hex[] }) {
  return (
    <div className="flex flex-wrap gap-1.5" role="img" aria-label={TEXTS.inksList(inks.join(', '))}>
      {inks.slice(0, 24).map((ink) => (
        <span key={ink} title={ink} className="h-5 w-5 rounded-full border border-ink/20" style={{ background: ink }} />
      ))}
      {inks.length > 24 && <span className="text-xs text-graphite">{TEXTS.andCountMore(inks.length - 24)}</span>}
    </div>
  );
}
