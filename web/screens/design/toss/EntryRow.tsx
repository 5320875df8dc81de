import type { DesignMotif } from '../../../../contract/index.ts';
import { Trash2 } from 'lucide-react';
import { LARGEST_SCALE, SMALLEST_SCALE } from '../../../../core/geometry/index.ts';
import { countOfShare, MOST_TOSSED, type Role, ROLES, type TossEntry } from '../../../../core/recipe/index.ts';
import { parseAmount } from '../../../../core/units/index.ts';
import { blobUrl } from '../../../api/client.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { TEXTS } from './texts.ts';

const ROLE_NAMES: Readonly<Record<Role, string>> = {
  hero: TEXTS.hero,
  companion: TEXTS.companion,
  filler: TEXTS.filler,
};

interface Props {
  readonly entry: TossEntry;
  readonly motif: DesignMotif | undefined;
  /** How many there are of all others. */
  readonly others: number;
  readonly onChange: (part: Partial<TossEntry>) => void;
  readonly onDrop: () => void;
}

/** Reads how many, or which share of all: `20 %`. */
function countRead(text: string, current: number, others: number): number {
  if (!text.trim().endsWith('%'))
    return Math.round(parseAmount(text, { sign: '×', current, min: 0, max: MOST_TOSSED }));
  return countOfShare(parseAmount(text, { sign: '%', min: 0, max: 95 }) / 100, others);
}

/** One motif of a toss: its role, how many, and between which sizes. */
export function EntryRow({ entry, motif, others, onChange, onDrop }: Props) {
  const name = motif?.name ?? TEXTS.aMotifThatIsGone;
  const size = { sign: '%', min: SMALLEST_SCALE * 100, max: LARGEST_SCALE * 100, step: 5, hideLabel: true } as const;
  return (
    <li className="grid grid-cols-[36px_minmax(0,1fr)_32px] items-center gap-x-2 gap-y-0.5 rounded-md border border-thread bg-white p-1">
      <span className="row-span-2 grid h-9 w-9 place-items-center">
        {motif && <img src={blobUrl(motif.thumbnail)} alt="" className="max-h-9 max-w-9 motif-thumb" />}
      </span>
      <span className="flex min-w-0 items-center gap-1.5">
        <span className="min-w-0 grow truncate text-sm font-medium">{name}</span>
        <select
          aria-label={TEXTS.roleOfName(name)}
          value={entry.role}
          onChange={(event) => onChange({ role: event.target.value as Role })}
          className="h-7 rounded-md border border-thread bg-white px-1 text-xs"
        >
          {ROLES.map((role) => (
            <option key={role} value={role}>
              {ROLE_NAMES[role]}
            </option>
          ))}
        </select>
      </span>
      <Button look="quiet" label={TEXTS.doNotTossName(name)} onClick={onDrop}>
        <Trash2 size={14} aria-hidden />
      </Button>
      <span className="col-span-2 grid grid-cols-3 gap-1">
        <QuantityField
          label={TEXTS.howManyOfName(name)}
          shown={`${entry.count} ×`}
          value={entry.count}
          read={(text) => countRead(text, entry.count, others)}
          hideLabel
          onChange={(count) => onChange({ count })}
        />
        <AmountField
          label={TEXTS.smallestSizeOfName(name)}
          {...size}
          value={entry.smallest * 100}
          onChange={(percent) => onChange({ smallest: percent / 100, largest: Math.max(entry.largest, percent / 100) })}
        />
        <AmountField
          label={TEXTS.largestSizeOfName(name)}
          {...size}
          value={entry.largest * 100}
          onChange={(percent) =>
            onChange({ largest: percent / 100, smallest: Math.min(entry.smallest, percent / 100) })
          }
        />
      </span>
    </li>
  );
}
