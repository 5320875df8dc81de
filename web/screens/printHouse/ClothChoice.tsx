import { Radio, RadioGroup } from '@headlessui/react';
import { type PrintCloth, WEAVES } from '../../../core/print/index.ts';
import { formatLength } from '../../../core/units/index.ts';
import { useUnit } from '../../ui/unit.ts';
import { inPounds } from './money.ts';
import { TEXTS } from './texts.ts';
import { WovenChip } from './WovenChip.tsx';

interface Props {
  readonly cloths: readonly PrintCloth[];
  readonly value: string;
  readonly onChange: (cloth: string) => void;
}

/** The cloth that is printed on. */
export function ClothChoice({ cloths, value, onChange }: Props) {
  return (
    <RadioGroup value={value} onChange={onChange} aria-label={TEXTS.cloth} className="grid gap-2 sm:grid-cols-2">
      {cloths.map((cloth) => (
        <Radio
          key={cloth.id}
          value={cloth.id}
          aria-label={cloth.name}
          className="flex cursor-pointer gap-3 rounded-md border border-thread bg-white p-2 data-checked:border-ink data-checked:ring-1 data-checked:ring-ink"
        >
          <ClothFacts cloth={cloth} />
        </Radio>
      ))}
    </RadioGroup>
  );
}

/** A cloth: how it is woven, how wide it is, what it costs, and what can be printed on it. */
export function ClothFacts({ cloth }: { readonly cloth: PrintCloth }) {
  const [unit] = useUnit();
  const { name, fibre, weave, width, price, leastRepeat, leastOrder } = cloth;
  return (
    <>
      <WovenChip cloth={cloth} />
      <span className="grid min-w-0 grow gap-px text-xs text-graphite">
        <span className="flex items-baseline gap-2 text-sm text-ink">
          <span className="font-medium">{name}</span>
          <span className="ml-auto shrink-0">{TEXTS.perMetre(inPounds(price))}</span>
        </span>
        <span>{TEXTS.facts(fibre, WEAVES[weave].name)}</span>
        <span>{TEXTS.widthAndLeast(formatLength(width, unit), TEXTS.metres(leastOrder))}</span>
        <span>{TEXTS.leastRepeat(formatLength(leastRepeat, unit))}</span>
      </span>
    </>
  );
}
