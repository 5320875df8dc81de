import { useState } from 'react';
import { Link } from 'react-router';
import { RASTER_FORMATS } from '../../../core/export/index.ts';
import type { PrintRules } from '../../../core/print/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { usePrintHouse, usePrintOrders } from '../../api/printOrders.ts';
import { Masthead } from '../../ui/Masthead.tsx';
import { ClothFacts } from './ClothChoice.tsx';
import { OrderRow } from './OrderRow.tsx';
import { OrderSheet } from './OrderSheet.tsx';
import { Simulation } from './Simulation.tsx';
import { TEXTS } from './texts.ts';

/** The print house: what was ordered there, what came back, and what it prints. */
export function PrintHousePage() {
  const house = usePrintHouse();
  const orders = usePrintOrders();
  const [id, setId] = useState<string>();
  const rules = house.data?.rules;
  const all = orders.data?.orders ?? [];
  const shown = all.find((order) => order.id === id) ?? all[0];
  const isClosed = orders.data?.isReachable === false || house.data?.rules === null;
  const failed = orders.error ?? house.error;
  return (
    <div className="flex h-full flex-col">
      <Masthead />
      <main className="grow overflow-auto px-8 pt-6 pb-10">
        <h1 className="font-name text-2xl font-semibold">{TEXTS.printHouse}</h1>
        {rules && <p className="mt-1 max-w-2xl text-sm text-graphite">{TEXTS.intro(rules.name)}</p>}
        {isClosed && (
          <p role="status" className="mt-3 text-sm text-madder">
            {TEXTS.notReached}
          </p>
        )}
        {failed && (
          <p role="alert" className="mt-3 text-sm text-madder">
            {failed.message}
          </p>
        )}
        <div className="mt-5 grid grid-cols-[22rem_minmax(0,1fr)] items-start gap-6">
          <div className="grid gap-6">
            {all.length > 0 && (
              <ul aria-label={TEXTS.orders} className="grid gap-1">
                {all.map((order) => (
                  <OrderRow key={order.id} order={order} selected={order === shown} onSelect={() => setId(order.id)} />
                ))}
              </ul>
            )}
            {orders.data?.orders.length === 0 && (
              <p className="text-sm">
                {TEXTS.noOrders}{' '}
                <Link to="/swatches" className="text-madder underline underline-offset-2">
                  {TEXTS.toTheBook}
                </Link>
              </p>
            )}
            {house.data && <Simulation behaviour={house.data.behaviour} />}
          </div>
          <div className="grid min-w-0 gap-6">
            {shown && <OrderSheet key={shown.id} order={shown} />}
            {rules && <WhatItPrints rules={rules} />}
          </div>
        </div>
      </main>
    </div>
  );
}

function WhatItPrints({ rules }: { readonly rules: PrintRules }) {
  const { formats, leastDpi, mostDpi, mostBytes, cloths } = rules;
  const names = formats.map((format) => RASTER_FORMATS[format].name).join(', ');
  return (
    <section aria-label={TEXTS.whatItPrints}>
      <h2 className="font-name text-lg font-semibold">{TEXTS.whatItPrints}</h2>
      <p className="text-sm text-graphite">
        {TEXTS.fileRules(names, TEXTS.dpiRange(leastDpi, mostDpi), formatNumber(mostBytes / 1024 / 1024, 0))}
      </p>
      <ul className="mt-3 grid gap-4 xl:grid-cols-2">
        {cloths.map((cloth) => (
          <li key={cloth.id} className="flex gap-3">
            <ClothFacts cloth={cloth} />
          </li>
        ))}
      </ul>
    </section>
  );
}
