import { type Extent, type ExtentKind, LONGEST_CLOTH_MM, MOST_REPEATS } from '../../../core/export/index.ts';
import { parseAmount } from '../../../core/units/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { TEXTS } from './texts.ts';

const BEGINNINGS: { readonly [K in ExtentKind]: Extract<Extent, { kind: K }> } = {
  tile: { kind: 'tile' },
  repeats: { kind: 'repeats', columns: 3, rows: 3 },
  cell: { kind: 'cell' },
  length: { kind: 'length', width: 1400, height: 1000 },
};

interface Props {
  readonly extent: Extent;
  readonly onChange: (extent: Extent) => void;
}

/** Which part of the cloth goes into the file. */
export function ExtentFields({ extent, onChange }: Props) {
  return (
    <div className="grid gap-2">
      <Choice
        label={TEXTS.contents}
        isWide
        captioned
        value={extent.kind}
        options={(['tile', 'repeats', 'cell', 'length'] as const).map((kind) => ({ value: kind, name: TEXTS[kind] }))}
        onChange={(kind) => onChange(BEGINNINGS[kind])}
      />
      {extent.kind === 'repeats' && (
        <div className="grid grid-cols-2 gap-2">
          {(['columns', 'rows'] as const).map((side) => (
            <QuantityField
              key={side}
              isLive
              label={TEXTS[side]}
              shown={String(extent[side])}
              value={extent[side]}
              read={(text) =>
                Math.round(parseAmount(text, { sign: '', current: extent[side], min: 1, max: MOST_REPEATS }))
              }
              onChange={(value) => onChange({ ...extent, [side]: value })}
            />
          ))}
        </div>
      )}
      {extent.kind === 'length' && (
        <div className="grid grid-cols-2 gap-2">
          {(['width', 'height'] as const).map((side) => (
            <LengthField
              key={side}
              isLive
              label={TEXTS[side]}
              mm={extent[side]}
              min={1}
              max={LONGEST_CLOTH_MM}
              onChange={(mm) => onChange({ ...extent, [side]: mm })}
            />
          ))}
        </div>
      )}
    </div>
  );
}
