import { useMemo } from 'react';
import { fractionOffers, placesByMotif, step } from '../../../../core/lattice/index.ts';
import { StepDiagram } from '../../../ui/StepDiagram.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { OfferList } from './OfferList.tsx';
import { TEXTS } from './texts.ts';

const SHOWN = 6;

/** The fractions that keep what is alike farthest apart, best first. */
export function FractionOffers() {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const { repeat, placements } = committed;
  const { kind, drop } = repeat.step;
  const offers = useMemo(() => fractionOffers(repeat, placesByMotif(placements)).slice(0, SHOWN), [repeat, placements]);
  return (
    <OfferList
      label={TEXTS.fractionsBestFirst}
      heading={TEXTS.bestFirstSoFarApart}
      offers={offers}
      repeatOf={({ p, q }) => ({ ...repeat, step: step(kind, p, q) })}
      action={TEXTS.changedTheStepTo}
      isNow={({ p, q }) => p === drop.p && q === drop.q}
      picture={({ p, q }) => <StepDiagram step={step(kind, p, q)} />}
    />
  );
}
