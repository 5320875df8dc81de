import { type Bleed, MOST_BLEED } from '../../../core/export/index.ts';
import { formatNumber, parseAmount } from '../../../core/units/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { TEXTS } from './texts.ts';

interface Bled {
  readonly amount: number;
  readonly unit: Bleed['unit'];
  readonly marks: boolean;
}

interface Props extends Bled {
  readonly onChange: (bled: Bled) => void;
  /** Whether it can be counted in nothing but mm. */
  readonly inMm?: boolean;
}

/** How far the pattern goes on beyond the trim, and whether marks show where to cut. */
export function BleedFields({ amount, unit, marks, onChange, inMm = false }: Props) {
  return (
    <div className="flex items-end gap-2">
      <div className="w-36">
        <QuantityField
          label={inMm ? TEXTS.bleedMm : TEXTS.bleed}
          shown={formatNumber(amount)}
          value={amount}
          read={(text) => parseAmount(text, { sign: '', current: amount, min: 0, max: MOST_BLEED })}
          onChange={(next) => onChange({ amount: next, unit, marks })}
        />
      </div>
      {!inMm && (
        <div className="w-28">
          <Choice<Bleed['unit']>
            label={TEXTS.bleedUnit}
            value={unit}
            options={[
              { value: 'px', name: 'px' },
              { value: 'mm', name: 'mm' },
            ]}
            onChange={(next) => onChange({ amount, unit: next, marks })}
          />
        </div>
      )}
      <Tick label={TEXTS.trimMarks} on={marks} onChange={(on) => onChange({ amount, unit, marks: on })} />
    </div>
  );
}
