import { useEffect, useMemo } from 'react';
import { rowOffers, type RowFall, type RowOffer } from '../../core/layout/rowOffers.ts';
import { placesByMotif } from '../../core/repeat/fractions.ts';
import { step } from '../../core/repeat/step.ts';
import { formatLength } from '../../core/units/length.ts';
import { useBench } from '../design/bench.ts';
import { useStore } from '../shared/store.ts';
import { useUnit } from '../shared/unit.ts';

const SHOWN = 9;
const FALLS: Readonly<Record<RowFall, string>> = { above: 'above itself', beside: 'beside itself', zigzag: 'zigzag', apart: 'well apart' };

/** By how much further rows may shift, best first, with what becomes of a motif and its like; pointed at, the cloth shows it. */
export function RowOffers({ count }: { readonly count: number }) {
  const bench = useBench();
  const { committed } = useStore(bench.session);
  const [unit] = useUnit();
  const { repeat, placements, layout } = committed;
  const offers = useMemo(() => {
    const own = new Set(layout?.laid);
    return rowOffers({ ...repeat, step: step('brick') }, count, placesByMotif(placements.filter(({ id }) => own.has(id)))).slice(0, SHOWN);
  }, [repeat, placements, layout, count]);
  useEffect(() => () => bench.session.preview(undefined), [bench]);
  const shifted = ({ p, q }: RowOffer) => ({ type: 'repeat', repeat: { width: repeat.width, height: repeat.height, step: step('brick', p, q) } }) as const;
  const isNow = ({ p, q }: RowOffer): boolean => repeat.step.kind === 'brick' && p === repeat.step.drop.p && q === repeat.step.drop.q;
  return (
    <section aria-label="Further rows, best first" className="grid gap-1.5">
      <h4 className="text-xs text-graphite">Further rows shift by, best first: so far apart lies each motif from its like</h4>
      <ul className="grid grid-cols-3 gap-1.5">
        {offers.map((offer) => (
          <li key={`${offer.p}/${offer.q}`}>
            <button
              type="button"
              data-row-offer={`${offer.p}/${offer.q}`}
              aria-pressed={isNow(offer)}
              onPointerEnter={() => bench.session.preview(shifted(offer))}
              onPointerLeave={() => bench.session.preview(undefined)}
              onFocus={() => bench.session.preview(shifted(offer))}
              onBlur={() => bench.session.preview(undefined)}
              onClick={() => !isNow(offer) && bench.commit(`Shifted the rows by ${offer.p}/${offer.q}`, shifted(offer))}
              className={`flex w-full flex-col items-center rounded-md border bg-white py-1.5 text-[11px] ${isNow(offer) ? 'border-ink ring-1 ring-ink' : 'border-thread hover:border-graphite'}`}
            >
              <RowsPicture offer={offer} count={count} aspect={repeat.width / count / repeat.height} />
              <span className="mt-0.5 text-xs font-semibold">
                {offer.p}/{offer.q}
              </span>
              <span className="text-graphite">{formatLength(offer.apart, unit)}</span>
              <span className={offer.fall === 'apart' ? 'text-fine' : offer.fall === 'zigzag' ? 'text-ink' : 'text-madder'}>{FALLS[offer.fall]}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const WIDE = 60;
const HIGH = 34;

/** Rows of places, the first motif's in ink wherever it comes again. */
function RowsPicture({ offer: { p, q }, count, aspect }: { readonly offer: RowOffer; readonly count: number; readonly aspect: number }) {
  const room = Math.min(WIDE / (1.6 * count), 9 * Math.max(0.5, aspect));
  const high = Math.min(9, Math.max(5, room / Math.max(0.4, aspect)));
  const cell = room * count;
  const places = Array.from({ length: Math.ceil(HIGH / high) }, (_, row) =>
    Array.from({ length: Math.ceil((2 * WIDE) / room) + count }, (_n, n) => ({ row, x: (((row * p) / q) % 1) * cell - cell + n * room, isFirst: n % count === 0 })),
  ).flat();
  return (
    <svg width={WIDE} height={HIGH} viewBox={`0 0 ${WIDE} ${HIGH}`} aria-hidden className="overflow-hidden rounded-xs">
      {places.map(({ row, x, isFirst }) => (
        <circle key={`${row} ${x}`} cx={x + room / 2} cy={row * high + high / 2} r={Math.min(room, high) * (isFirst ? 0.42 : 0.26)} fill={isFirst ? '#b3402e' : '#c9c3b5'} />
      ))}
    </svg>
  );
}
