import { LONGEST_CLOTH_MM, type VectorOrder } from '../../../core/export/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { BleedFields } from './BleedFields.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly order: VectorOrder;
  /** Of what goes into the file, at its true size, mm. */
  readonly width: number;
  readonly onChange: (order: VectorOrder) => void;
}

/** What is particular to a file of shapes. */
export function VectorFields({ order, width, onChange }: Props) {
  const { format, bleed, marks } = order;
  const { width: printed, ...atTrueSize } = order;
  return (
    <>
      <Choice
        label={TEXTS.sizeBy}
        isWide
        captioned
        value={printed === undefined ? 'true' : 'printed'}
        options={[
          { value: 'true', name: TEXTS.trueSize },
          { value: 'printed', name: TEXTS.print },
        ]}
        onChange={(by) => onChange(by === 'true' ? atTrueSize : { ...order, width })}
      />
      {printed !== undefined && (
        <LengthField
          label={TEXTS.print}
          mm={printed}
          min={1}
          max={LONGEST_CLOTH_MM}
          onChange={(mm) => onChange({ ...order, width: mm })}
        />
      )}
      {format !== 'css' && (
        <BleedFields
          inMm
          amount={bleed}
          unit="mm"
          marks={marks}
          onChange={(bled) => onChange({ ...order, bleed: bled.amount, marks: bled.marks })}
        />
      )}
      {format === 'pdf' && (
        <Tick
          label={TEXTS.spotColours}
          on={order.spotColours}
          onChange={(spotColours) => onChange({ ...order, spotColours })}
        />
      )}
      {format === 'css' && (
        <Tick label={TEXTS.inlineTile} on={order.inline} onChange={(inline) => onChange({ ...order, inline })} />
      )}
    </>
  );
}
