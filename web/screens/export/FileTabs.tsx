import { Plus, X } from 'lucide-react';
import { type AnyOrder, formatOf } from '../../../core/export/index.ts';
import { Button } from '../../ui/Button.tsx';
import { TEXTS } from './texts.ts';

const MOST_FILES = 20;

interface Props {
  readonly orders: readonly AnyOrder[];
  /** Which of them is being looked at. */
  readonly at: number;
  readonly onAt: (at: number) => void;
  readonly onChange: (orders: readonly AnyOrder[]) => void;
}

/** The files that are made in one go. */
export function FileTabs({ orders, at, onAt, onChange }: Props) {
  const add = (): void => {
    onChange([...orders, orders[at] as AnyOrder]);
    onAt(orders.length);
  };
  const remove = (): void => {
    onChange(orders.filter((_, n) => n !== at));
    onAt(Math.max(0, at - 1));
  };
  return (
    <div role="group" aria-label={TEXTS.files} className="flex flex-wrap items-center gap-1">
      {orders.length > 1 &&
        orders.map((order, n) => (
          <Button key={n} pressed={n === at} onClick={() => onAt(n)}>
            {TEXTS.fileNumber(n + 1, formatOf(order).name)}
          </Button>
        ))}
      <Button look="quiet" onClick={add} disabled={orders.length >= MOST_FILES}>
        <Plus size={15} aria-hidden /> {TEXTS.anotherFile}
      </Button>
      {orders.length > 1 && (
        <Button look="quiet" onClick={remove}>
          <X size={15} aria-hidden /> {TEXTS.removeFile(at + 1)}
        </Button>
      )}
    </div>
  );
}
