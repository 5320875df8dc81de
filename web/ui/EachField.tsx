import { useRef } from 'react';
import { formatNumber, parseAmount } from '../../core/units/index.ts';
import { QuantityField } from './QuantityField.tsx';

interface Props {
  readonly label: string;
  readonly values: readonly number[];
  /** The sign behind the number. */
  readonly sign: '°' | '%';
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
  readonly hideLabel?: boolean;
  /** One for each value. */
  readonly onChange: (values: readonly number[]) => void;
}

/** One amount of several things: said to be mixed where they differ. A number typed sets all, a sum such as `+12` adds to each. */
export function EachField({ label, values, sign, min, max, step, hideLabel, onChange }: Props) {
  const first = values[0] ?? 0;
  const mixed = values.some((value) => Math.abs(value - first) > 1e-9);
  const typed = useRef<readonly number[]>([]);
  const within = (value: number): number => Math.min(max ?? Infinity, Math.max(min ?? -Infinity, value));
  return (
    <QuantityField
      label={label}
      shown={mixed ? 'mixed' : `${formatNumber(first)}${sign === '°' ? '°' : ' %'}`}
      value={mixed ? NaN : first}
      read={(text) => {
        typed.current = values.map((current) =>
          parseAmount(text, { sign, current, ...(min !== undefined && { min }), ...(max !== undefined && { max }) }),
        );
        return typed.current[0] ?? first;
      }}
      onChange={() => onChange(typed.current)}
      onStep={(by) => onChange(values.map((value) => within(Number((value + by).toFixed(6)))))}
      {...(step !== undefined && { step })}
      {...(hideLabel !== undefined && { hideLabel })}
    />
  );
}
