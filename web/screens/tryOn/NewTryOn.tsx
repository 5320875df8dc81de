import { useEffect, useRef } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { newTryOn, type PatternSource } from '../../../core/tryon/index.ts';
import { useDesigns } from '../../api/designs.ts';
import { useSwatches } from '../../api/swatches.ts';
import { createTryOn, useProducts, useTryOnListRefresh, useTryOns } from '../../api/tryOns.ts';
import { Masthead } from '../../ui/Masthead.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** What a pattern is tried on first. */
const FIRST_PRODUCT = 'cushion';

/**
 * Opens the try-on of a design or a swatch that the address names: the one that was changed last, or a new one where there is
 * none. Without either, a new one of the design that was changed last.
 */
export function NewTryOn() {
  const [search] = useSearchParams();
  const designs = useDesigns();
  const swatches = useSwatches();
  const products = useProducts();
  const tryOns = useTryOns();
  const navigate = useNavigate();
  const notifyProblem = useNotifyProblem();
  const refresh = useTryOnListRefresh();
  const isBegun = useRef(false);
  const [design, swatch] = [search.get('design') ?? undefined, search.get('swatch') ?? undefined];
  const isReady = designs.data && swatches.data && products.data && tryOns.data && !tryOns.isFetching;
  const isEmpty = designs.data?.length === 0 && swatches.data?.length === 0;

  useEffect(() => {
    if (!isReady || isEmpty || isBegun.current) return;
    isBegun.current = true;
    const there =
      (design ?? swatch) === undefined
        ? undefined
        : tryOns.data.find(({ sources: [source] }) => (design ? source?.design === design : source?.swatch === swatch));
    if (there) {
      void navigate(`/try-ons/${there.id}`, { replace: true });
      return;
    }
    const [first] = designs.data;
    const source: PatternSource = swatch
      ? { swatch }
      : design || first
        ? { design: design ?? first?.id }
        : { swatch: swatches.data[0]?.id };
    const product = products.data.find(({ id }) => id === FIRST_PRODUCT) ?? products.data[0];
    const name =
      [...designs.data, ...swatches.data].find(({ id }) => id === (source.design ?? source.swatch))?.name ??
      TEXTS.newTryOn;
    if (!product) return;
    createTryOn(newTryOn(name, product, source)).then(
      ({ id }) => {
        refresh();
        return navigate(`/try-ons/${id}`, { replace: true });
      },
      (error: unknown) => {
        notifyProblem(error);
        void navigate('/try-ons', { replace: true });
      },
    );
  });

  if (!isEmpty) return <p />;
  return (
    <div className="flex h-full flex-col">
      <Masthead />
      <main className="grow px-8 pt-6">
        <p className="max-w-md">{TEXTS.nothingToTryOn}</p>
        <Link to="/" className="mt-3 inline-block text-madder underline underline-offset-2">
          {TEXTS.toTheTable}
        </Link>
      </main>
    </div>
  );
}
