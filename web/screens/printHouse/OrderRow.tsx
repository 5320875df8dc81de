import type { PrintOrder, PrintState } from '../../../contract/index.ts';
import { blobUrl } from '../../api/client.ts';
import { inPounds } from './money.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly order: PrintOrder;
  readonly selected: boolean;
  readonly onSelect: () => void;
}

/** States that wait for the designer, and those that went wrong. */
const CALLING: ReadonlySet<PrintState> = new Set(['answered', 'interrupted']);
const WRONG: ReadonlySet<PrintState> = new Set(['refused', 'interrupted']);

/** An order in the list: what of, how far it is. */
export function OrderRow({ order, selected, onSelect }: Props) {
  const { name, thumbnail, cloth, metres, state, progress, total, orderedAt } = order;
  const isUnderWay = state === 'making' || state === 'sending';
  const mark = WRONG.has(state) ? 'bg-madder' : CALLING.has(state) ? 'bg-weld' : 'bg-thread';
  return (
    <li>
      <button
        type="button"
        aria-pressed={selected}
        onClick={onSelect}
        className={`flex w-full gap-3 rounded-md border p-2 text-left ${selected ? 'border-ink bg-white ring-1 ring-ink' : 'border-transparent hover:bg-linen'}`}
      >
        <img
          src={blobUrl(thumbnail)}
          alt=""
          className="h-16 w-16 shrink-0 rounded-sm border border-thread object-cover"
        />
        <span className="grid min-w-0 grow content-center gap-0.5 text-sm">
          <span className="flex items-baseline gap-2">
            <span className="truncate font-name font-semibold" title={name}>
              {name}
            </span>
            <span className="ml-auto shrink-0 text-xs text-graphite">
              {new Date(orderedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}
            </span>
          </span>
          <span className="flex gap-2 text-graphite">
            <span className="truncate">{TEXTS.onCloth(TEXTS.metres(metres), cloth.name)}</span>
            {total !== null && <span className="ml-auto shrink-0">{inPounds(total)}</span>}
          </span>
          <span className="flex items-center gap-2" data-state={state}>
            <span aria-hidden className={`h-2 w-2 shrink-0 rounded-full ${mark}`} />
            {TEXTS.stateOf(state)}
            {isUnderWay && (
              <progress
                aria-label={TEXTS.stateOf(state)}
                value={progress || undefined}
                className="h-1.5 min-w-0 grow"
              />
            )}
          </span>
        </span>
      </button>
    </li>
  );
}
