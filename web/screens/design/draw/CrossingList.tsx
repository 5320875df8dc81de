import type { VineRecipe } from '../../../../core/recipe/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Fold } from '../../../ui/Fold.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { Tick } from '../../../ui/Tick.tsx';
import { TEXTS } from './texts.ts';

/** Where a vine is crossed, and whether it goes under there. */
export function CrossingList({ vine }: { readonly vine: VineRecipe }) {
  const { drawing } = useEditor();
  const { crossings } = drawing.vines;
  return (
    <Fold name={TEXTS.crossings} note={String(crossings.length)}>
      {crossings.length === 0 && <p className="text-sm">{TEXTS.noCrossings}</p>}
      <ul aria-label={TEXTS.crossings} className="grid">
        {crossings.map((crossing, n) => (
          <li key={n}>
            <Tick
              label={TEXTS.goesUnder(n + 1, crossing.name)}
              on={drawing.vines.isUnder(crossing)}
              onChange={() => drawing.vines.swap(crossing)}
            />
          </li>
        ))}
      </ul>
      <LengthField
        label={TEXTS.passGap}
        mm={vine.passGap ?? 0}
        min={0}
        max={20}
        onChange={(passGap) => drawing.setVine({ ...vine, passGap })}
      />
    </Fold>
  );
}
