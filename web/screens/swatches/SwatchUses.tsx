import { Link } from 'react-router';
import { usePrintOrders } from '../../api/printOrders.ts';
import { useTryOns } from '../../api/tryOns.ts';
import { TEXTS } from './texts.ts';

/** All that a swatch is used in, each a click away: the try-ons made of it, and its orders at the print house. */
export function SwatchUses({ swatch }: { readonly swatch: string }) {
  const tryOns = useTryOns();
  const orders = usePrintOrders();
  if (!tryOns.data || !orders.data) return null;
  const uses = [
    ...tryOns.data
      .filter(({ sources }) => sources.some((source) => source.swatch === swatch))
      .map(({ id, name }) => ({ id, path: `/try-ons/${id}`, name, kind: TEXTS.aTryOn })),
    ...orders.data.orders
      .filter((order) => order.swatch === swatch)
      .map(({ id, cloth }) => ({ id, path: '/print-house', name: cloth.name, kind: TEXTS.aPrintOrder })),
  ];
  return (
    <section aria-label={TEXTS.usedIn} className="mt-4 border-t border-dashed border-thread pt-3 text-sm">
      <h2 className="text-xs text-graphite">{TEXTS.usedIn}</h2>
      {uses.length === 0 && <p>{TEXTS.usedInNothingYet}</p>}
      <ul>
        {uses.map(({ id, path, name, kind }) => (
          <li key={id} className="truncate">
            <Link to={path} className="underline-offset-2 hover:underline">
              {name}
            </Link>
            <span className="text-graphite">, {kind}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
