import { useState } from 'react';
import { Link } from 'react-router';
import type { PrintOrder, PrintState } from '../../../contract/index.ts';
import { RASTER_FORMATS } from '../../../core/export/index.ts';
import { WEAVES } from '../../../core/print/index.ts';
import { formatLength, formatNumber } from '../../../core/units/index.ts';
import { blobUrl } from '../../api/client.ts';
import { usePrintMutation } from '../../api/printOrders.ts';
import { useSwatch } from '../../api/swatches.ts';
import { Button } from '../../ui/Button.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { useUnit } from '../../ui/unit.ts';
import { inPounds } from './money.ts';
import { OrderDialog } from './OrderDialog.tsx';
import { TEXTS } from './texts.ts';

const CAN_BE_CANCELLED: ReadonlySet<PrintState> = new Set(['making', 'sending', 'interrupted', 'sent', 'answered']);

/** An order, its strike-off once it is back, and what can be done about it. */
export function OrderSheet({ order }: { readonly order: PrintOrder }) {
  const [unit] = useUnit();
  const mutation = usePrintMutation();
  const notifyProblem = useNotifyProblem();
  const { id, swatch, version, name, cloth, metres, state, message, dpi, format, price, total, piece, across } = order;
  const act = (what: Parameters<typeof mutation.mutate>[0]): void => mutation.mutate(what, { onError: notifyProblem });
  return (
    <section aria-label={TEXTS.strikeOffOf(name)} className="min-w-0 rounded-md border border-thread bg-white p-5">
      <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
        <div className="min-w-0 grow">
          <h2 className="truncate font-name text-xl font-semibold">
            <Link to={`/swatches/${swatch}`} className="underline-offset-4 hover:underline">
              {name}
            </Link>
          </h2>
          <p className="text-sm text-graphite">
            {TEXTS.versionShort(version)}, {RASTER_FORMATS[format].name}, {formatNumber(dpi)} dpi
          </p>
          <p className="mt-1 text-sm">
            {TEXTS.onCloth(TEXTS.metres(metres), cloth.name)}
            {price !== null && total !== null && (
              <>
                , {TEXTS.perMetre(inPounds(price))}, <strong>{TEXTS.total(inPounds(total))}</strong>
              </>
            )}
          </p>
          <p className="text-sm text-graphite">
            {TEXTS.facts(cloth.fibre, WEAVES[cloth.weave].name)}, {TEXTS.wide(formatLength(cloth.width, unit))}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          {state === 'interrupted' && (
            <Button look="accent" onClick={() => act({ resume: id })}>
              {TEXTS.resume}
            </Button>
          )}
          {state === 'answered' && (
            <Button look="accent" onClick={() => act({ approve: id })}>
              {TEXTS.approve}
            </Button>
          )}
          <OrderAgain order={order} />
          {CAN_BE_CANCELLED.has(state) && <Button onClick={() => act({ cancel: id })}>{TEXTS.cancelOrder}</Button>}
        </div>
      </div>
      {message !== null && (
        <p role="alert" className="mt-3 text-sm text-madder">
          {message}
        </p>
      )}
      {piece !== null && across !== null ? (
        <div className="mt-4 grid gap-4">
          <figure>
            <img
              src={blobUrl(piece)}
              alt={TEXTS.strikeOffOf(name)}
              className="aspect-[3/2] w-full border border-thread object-cover"
              style={{ maxWidth: 960 }}
            />
            <figcaption className="mt-1 text-xs text-graphite">
              {TEXTS.pieceNote}. {TEXTS.colourNote}
            </figcaption>
          </figure>
          <figure>
            <img src={blobUrl(across)} alt="" className="w-full" style={{ maxWidth: 960 }} />
            <figcaption className="mt-1 text-xs text-graphite">
              {TEXTS.acrossNote(formatLength(cloth.width, unit))}
            </figcaption>
          </figure>
        </div>
      ) : (
        state === 'sent' && <p className="mt-6 text-sm text-graphite">{TEXTS.waiting}</p>
      )}
    </section>
  );
}

/** The same swatch once more, on the same cloth unless another is chosen. */
function OrderAgain({ order }: { readonly order: PrintOrder }) {
  const [isOpen, setOpen] = useState(false);
  const swatch = useSwatch(order.swatch);
  return (
    <>
      <Button disabled={!swatch.data} onClick={() => setOpen(true)}>
        {TEXTS.orderAgain}
      </Button>
      {isOpen && swatch.data && (
        <OrderDialog
          swatch={{ ...swatch.data, isBare: swatch.data.design.ground.kind === 'none' }}
          before={order}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}
