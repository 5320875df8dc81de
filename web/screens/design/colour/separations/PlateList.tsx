import { ArrowDown, ArrowUp } from 'lucide-react';
import type { Separation, SeparationOrder } from '../../../../../core/separate/index.ts';
import { AmountField } from '../../../../ui/AmountField.tsx';
import { Button } from '../../../../ui/Button.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly separation: Separation;
  readonly order: SeparationOrder;
  readonly shown: ReadonlySet<string>;
  readonly onShow: (shown: ReadonlySet<string>) => void;
  readonly onOrder: (part: Partial<SeparationOrder>) => void;
}

/** Plates in printing order: shown or not, how much each prints, earlier or later, and the angle of its screen. */
export function PlateList({ separation: { inks, facts }, order, shown, onShow, onOrder }: Props) {
  const ids = inks.map(({ id }) => id);
  const move = (n: number, by: number): void => {
    const sequence = [...ids];
    const [moved] = sequence.splice(n, 1);
    if (moved !== undefined) sequence.splice(n + by, 0, moved);
    onOrder({ sequence });
  };
  return (
    <ol aria-label={TEXTS.plates} className="grid gap-1">
      {inks.map(({ id, name, colour, angle }, n) => (
        <li key={id} className="flex items-center gap-2 rounded-md border border-thread bg-white p-1.5 text-sm">
          <label className="flex min-w-0 grow items-center gap-2">
            <input
              type="checkbox"
              aria-label={TEXTS.showPlate(name)}
              checked={shown.has(id)}
              onChange={({ target: { checked } }) =>
                onShow(new Set(ids.filter((one) => (one === id ? checked : shown.has(one)))))
              }
              className="accent-ink"
            />
            <span
              aria-hidden
              className="h-5 w-5 shrink-0 rounded-full border border-ink/25"
              style={{ background: colour }}
            />
            <span className="truncate">{name}</span>
          </label>
          <span className="shrink-0 text-xs text-graphite">{TEXTS.percent(facts.coverage[n] ?? 0)}</span>
          {order.depth === 'screened' && (
            <span className="w-16 shrink-0">
              <AmountField
                label={TEXTS.angle(name)}
                hideLabel
                value={angle}
                sign="°"
                min={-180}
                max={180}
                step={7.5}
                onChange={(degrees) => onOrder({ angles: { ...order.angles, [id]: degrees } })}
              />
            </span>
          )}
          <Button look="quiet" label={TEXTS.earlier(name)} disabled={n === 0} onClick={() => move(n, -1)}>
            <ArrowUp size={15} aria-hidden />
          </Button>
          <Button look="quiet" label={TEXTS.later(name)} disabled={n === ids.length - 1} onClick={() => move(n, 1)}>
            <ArrowDown size={15} aria-hidden />
          </Button>
        </li>
      ))}
    </ol>
  );
}
