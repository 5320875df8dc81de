import { formatNumber, parseAmount } from '../../core/units/index.ts';
import { QuantityField } from './QuantityField.tsx';

interface Props {
  readonly label: string;
  readonly value: number;
  /** The sign behind the number, such as `°` or `%`. */
  readonly sign?: string;
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
  readonly hideLabel?: boolean;
  readonly onChange: (value: number) => void;
}

/** A plain amount, typed with its sign or without. */
export function AmountField({ label, value, sign = '', min, max, step, hideLabel, onChange }: Props) {
  const shown = formatNumber(value);
  return (
    <QuantityField
      label={label}
      shown={sign === '' ? shown : sign === '°' ? `${shown}°` : `${shown} ${sign}`}
      value={value}
      read={(text) =>
        parseAmount(text, {
          sign,
          current: value,
          ...(min !== undefined && { min }),
          ...(max !== undefined && { max }),
        })
      }
      onChange={onChange}
      {...(step !== undefined && { step })}
      {...(hideLabel !== undefined && { hideLabel })}
    />
  );
}
