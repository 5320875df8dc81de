import type { DesignMotif } from '../../../contract/index.ts';
import { useState, type ReactNode } from 'react';
import type { Artwork } from '../../../core/motif/index.ts';
import type { ShapeRecipe } from '../../../core/recipe/index.ts';
import { nameOfShape } from './nameOfShape.ts';
import { formatLength } from '../../../core/units/index.ts';
import { BackLink } from '../../ui/BackLink.tsx';
import { Button } from '../../ui/Button.tsx';
import { HistoryButtons } from '../../ui/HistoryButtons.tsx';
import { useMotifFinish } from '../../ui/useMotifFinish.ts';
import { useUnit } from '../../ui/unit.ts';
import type { KeptHistory } from '../../ui/useKeptHistory.ts';
import { TEXTS } from './texts.ts';

interface HeadProps {
  readonly motif: DesignMotif | undefined;
  readonly artwork: Artwork | undefined;
  readonly history: KeptHistory<ShapeRecipe>;
  readonly children: ReactNode;
}

/** The builder's head: the motif's name and size, undo, and what keeps the motif. */
export function BuilderHead({ motif, artwork, history, children }: HeadProps) {
  const [unit] = useUnit();
  const { isBusy, finish, finishAsNew } = useMotifFinish(motif, TEXTS.built, '/build', history.done);
  const recipe = history.value;
  // A new motif is named after what it is until it is given a name.
  const [typed, setTyped] = useState(motif?.name);
  const name = typed ?? nameOfShape(recipe);
  return (
    <header className="col-span-2 flex items-center gap-3 border-b border-thread px-4">
      <BackLink to="/motifs" name={TEXTS.toTheMotifDrawer} />
      <input
        aria-label={TEXTS.nameOfTheMotif}
        value={name}
        maxLength={120}
        onChange={(event) => setTyped(event.target.value)}
        className="h-8 w-64 rounded-md border border-thread bg-white px-2 font-name text-base font-semibold"
      />
      {artwork && (
        <span className="text-xs text-graphite">
          {formatLength(artwork.view.width, unit)} × {formatLength(artwork.view.height, unit)}
        </span>
      )}
      <span className="grow" />
      {children}
      <HistoryButtons history={history} />
      {motif && (
        <Button
          disabled={!artwork || isBusy || name.trim() === ''}
          onClick={() => void finishAsNew(name === motif.name ? TEXTS.anotherOf(name) : name, recipe)}
        >
          {TEXTS.saveAsANewMotif}
        </Button>
      )}
      <Button
        look="accent"
        disabled={!artwork || isBusy || name.trim() === ''}
        onClick={() => void finish(name, recipe)}
      >
        {motif ? TEXTS.changeTheMotif : TEXTS.makeTheMotif}
      </Button>
    </header>
  );
}
