import { AmountField } from './AmountField.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly label: string;
  readonly value: number;
  readonly sign?: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
}

/** An amount that is found by looking: drawn along a line, or typed where it is known. */
export function SliderField({ label, value, sign = '', min, max, step, onChange }: Props) {
  return (
    <div>
      <span className="block text-xs text-graphite" aria-hidden>
        {label}
      </span>
      <div className="grid grid-cols-[minmax(0,1fr)_84px] items-center gap-3">
        <input
          type="range"
          aria-label={label}
          min={min}
          max={max}
          step={step}
          value={value}
          onChange={(event) => onChange(Number(event.target.value))}
          className="h-8 w-full accent-ink"
          data-own-arrows
        />
        <AmountField
          label={TEXTS.labelTyped(label)}
          hideLabel
          value={value}
          sign={sign}
          min={min}
          max={max}
          step={step}
          onChange={onChange}
        />
      </div>
    </div>
  );
}
