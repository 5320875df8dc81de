import { useMemo } from 'react';
import { placesByMotif, step } from '../../../../core/lattice/index.ts';
import { type RowOffer, rowOffers, type RowPattern } from '../../../../core/layout/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { OfferList } from '../tickets/OfferList.tsx';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

const SHOWN = 9;
const FALLS: Readonly<Record<RowPattern, string>> = {
  apart: TEXTS.wellApart,
  beside: TEXTS.besideItself,
  zigzag: 'zigzag',
  aslant: 'aslant',
  above: TEXTS.aboveItself,
};

/** By how much further rows may shift, best first, with what becomes of a motif and its like. */
export function RowOffers({ count }: { readonly count: number }) {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const { repeat, placements, layout } = committed;
  const offers = useMemo(() => {
    const own = new Set(layout?.laid);
    return rowOffers(
      { ...repeat, step: step('brick') },
      count,
      placesByMotif(placements.filter(({ id }) => own.has(id))),
    ).slice(0, SHOWN);
  }, [repeat, placements, layout, count]);
  return (
    <OfferList
      label={TEXTS.shiftOfTheNextRows}
      heading={TEXTS.furtherRowsShiftByBest}
      offers={offers}
      repeatOf={({ p, q }) => ({ width: repeat.width, height: repeat.height, step: step('brick', p, q) })}
      action={TEXTS.shiftedTheRowsBy}
      isNow={({ p, q }) => repeat.step.kind === 'brick' && p === repeat.step.drop.p && q === repeat.step.drop.q}
      picture={(offer) => <RowsPicture offer={offer} count={count} aspect={repeat.width / count / repeat.height} />}
      note={({ fall }) => (
        <span className={fall === 'apart' ? 'text-fine' : fall === 'above' ? 'text-madder' : 'text-ink'}>
          {FALLS[fall]}
        </span>
      )}
    />
  );
}

const WIDE = 60;
const HIGH = 34;

/** Rows of places, the first motif's in ink wherever it comes again. */
function RowsPicture({
  offer: { p, q },
  count,
  aspect,
}: {
  readonly offer: RowOffer;
  readonly count: number;
  readonly aspect: number;
}) {
  const room = Math.min(WIDE / (1.6 * count), 9 * Math.max(0.5, aspect));
  const high = Math.min(9, Math.max(5, room / Math.max(0.4, aspect)));
  const cell = room * count;
  const places = Array.from({ length: Math.ceil(HIGH / high) }, (_, row) =>
    Array.from({ length: Math.ceil((2 * WIDE) / room) + count }, (_n, n) => ({
      row,
      x: (((row * p) / q) % 1) * cell - cell + n * room,
      isFirst: n % count === 0,
    })),
  ).flat();
  return (
    <svg width={WIDE} height={HIGH} viewBox={`0 0 ${WIDE} ${HIGH}`} aria-hidden className="overflow-hidden rounded-xs">
      {places.map(({ row, x, isFirst }) => (
        <circle
          key={`${row} ${x}`}
          cx={x + room / 2}
          cy={row * high + high / 2}
          r={Math.min(room, high) * (isFirst ? 0.42 : 0.26)}
          fill={isFirst ? '#b3402e' : '#c9c3b5'}
        />
      ))}
    </svg>
  );
}
