import { useEffect, useMemo } from 'react';
import { fractionOffers, placesByMotif } from '../../../core/repeat/fractions.ts';
import { step, type Fraction } from '../../../core/repeat/step.ts';
import { formatLength } from '../../../core/units/length.ts';
import { StepDiagram } from '../../shared/StepDiagram.tsx';
import { useStore } from '../../shared/store.ts';
import { useUnit } from '../../shared/unit.ts';
import { useBench } from '../bench.ts';

const SHOWN = 6;

/** The fractions that keep what is alike farthest apart, best first; pointed at, the cloth shows what it would be. */
export function FractionOffers() {
  const bench = useBench();
  const { committed } = useStore(bench.session);
  const [unit] = useUnit();
  const { repeat, placements } = committed;
  const { kind, drop } = repeat.step;
  const offers = useMemo(() => fractionOffers(repeat, placesByMotif(placements)).slice(0, SHOWN), [repeat, placements]);
  useEffect(() => () => bench.session.preview(undefined), [bench]);
  const stepped = ({ p, q }: Fraction) => ({ type: 'repeat', repeat: { ...repeat, step: step(kind, p, q) } }) as const;
  const isNow = ({ p, q }: Fraction): boolean => p === drop.p && q === drop.q;
  return (
    <section aria-label="Fractions, best first" className="grid gap-1.5">
      <h4 className="text-xs text-graphite">Best first: so far apart lie equal motifs of neighbouring cells</h4>
      <ul className="grid grid-cols-3 gap-1.5">
        {offers.map((offer) => (
          <li key={`${offer.p}/${offer.q}`}>
            <button
              type="button"
              data-offer={`${offer.p}/${offer.q}`}
              aria-pressed={isNow(offer)}
              onPointerEnter={() => bench.session.preview(stepped(offer))}
              onPointerLeave={() => bench.session.preview(undefined)}
              onFocus={() => bench.session.preview(stepped(offer))}
              onBlur={() => bench.session.preview(undefined)}
              onClick={() => !isNow(offer) && bench.commit(`Changed the step to ${offer.p}/${offer.q}`, stepped(offer))}
              className={`flex w-full flex-col items-center rounded-md border bg-white py-1.5 text-xs ${isNow(offer) ? 'border-ink ring-1 ring-ink' : 'border-thread hover:border-graphite'}`}
            >
              <StepDiagram step={step(kind, offer.p, offer.q)} />
              <span className="mt-0.5 font-semibold">
                {offer.p}/{offer.q}
              </span>
              <span className="text-graphite">{formatLength(offer.apart, unit)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
