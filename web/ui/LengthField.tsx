import { formatLength, type LengthReading, mmPer, parseLength } from '../../core/units/index.ts';
import { QuantityField } from './QuantityField.tsx';
import { useUnit } from './unit.ts';

interface Props extends Omit<LengthReading, 'unit' | 'current'> {
  readonly label: string;
  readonly mm: number;
  readonly onChange: (mm: number) => void;
  readonly hideLabel?: boolean;
  readonly disabled?: boolean;
  readonly isLive?: boolean;
}

/** A length, shown and typed in the unit that the studio works in. */
export function LengthField({ label, mm, onChange, hideLabel, disabled, isLive, ...reading }: Props) {
  const [unit] = useUnit();
  // The arrow keys hand over a bare number in the unit shown.
  const per = mmPer(unit);
  return (
    <QuantityField
      label={label}
      shown={formatLength(mm, unit)}
      value={mm / per}
      step={unit === 'in' ? 0.125 : 1}
      read={(text) => parseLength(text, { unit, current: mm, ...reading }) / per}
      onChange={(value) => onChange(value * per)}
      {...(hideLabel !== undefined && { hideLabel })}
      {...(disabled !== undefined && { disabled })}
      {...(isLive !== undefined && { isLive })}
    />
  );
}
