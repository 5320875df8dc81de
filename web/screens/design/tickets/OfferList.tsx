import { useEffect, type ReactNode } from 'react';
import type { FractionOffer, Repeat } from '../../../../core/lattice/index.ts';
import { formatLength } from '../../../../core/units/index.ts';
import { useUnit } from '../../../ui/unit.ts';
import { useEditor } from '../../../cloth/editorContext.ts';

interface Props<O extends FractionOffer> {
  readonly label: string;
  readonly heading: string;
  readonly offers: readonly O[];
  /** The repeat of an offer, and the history's name for taking it, before the fraction. */
  readonly repeatOf: (offer: O) => Repeat;
  readonly action: string;
  readonly isNow: (offer: O) => boolean;
  readonly picture: (offer: O) => ReactNode;
  readonly note?: (offer: O) => ReactNode;
}

/** Fractions as small pictures with the distance that each keeps: pointed at or gone to by keys, the cloth shows it; a click takes it. */
export function OfferList<O extends FractionOffer>({
  label,
  heading,
  offers,
  repeatOf,
  action,
  isNow,
  picture,
  note,
}: Props<O>) {
  const editor = useEditor();
  const [unit] = useUnit();
  useEffect(() => () => editor.session.preview(undefined), [editor]);
  const look = (offer: O): void => editor.session.preview({ type: 'repeat', repeat: repeatOf(offer) });
  const away = (): void => editor.session.preview(undefined);
  return (
    <section aria-label={label} className="grid gap-1.5">
      <h4 className="text-xs text-graphite">{heading}</h4>
      <ul className="grid grid-cols-3 gap-1.5">
        {offers.map((offer) => {
          const name = `${offer.p}/${offer.q}`;
          return (
            <li key={name}>
              <button
                type="button"
                data-offer={name}
                aria-pressed={isNow(offer)}
                onPointerEnter={() => look(offer)}
                onPointerLeave={away}
                onFocus={() => look(offer)}
                onBlur={away}
                onClick={() =>
                  !isNow(offer) && editor.commit(`${action} ${name}`, { type: 'repeat', repeat: repeatOf(offer) })
                }
                className={`flex w-full flex-col items-center rounded-md border bg-white py-1.5 text-[11px] ${isNow(offer) ? 'border-ink ring-1 ring-ink' : 'border-thread hover:border-graphite'}`}
              >
                {picture(offer)}
                <span className="mt-0.5 text-xs font-semibold">{name}</span>
                <span className="text-graphite">{formatLength(offer.apart, unit)}</span>
                {note?.(offer)}
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
