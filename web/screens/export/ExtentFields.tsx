import { type AnyOrder, type Extent, type ExtentKind, MOST_REPEATS } from '../../../core/export/index.ts';
import { parseAmount } from '../../../core/units/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { PageFields } from './PageFields.tsx';
import { TEXTS } from './texts.ts';

const BEGINNINGS: { readonly [K in ExtentKind]: Extract<Extent, { kind: K }> } = {
  tile: { kind: 'tile' },
  repeats: { kind: 'repeats', columns: 3, rows: 3 },
  cell: { kind: 'cell' },
  length: { kind: 'length', width: 1400, height: 1000 },
};

interface Props {
  readonly order: AnyOrder;
  readonly onChange: (order: AnyOrder) => void;
}

/** Which part of the cloth goes into the file. */
export function ExtentFields({ order, onChange }: Props) {
  const { extent } = order;
  const change = (next: Extent): void => onChange({ ...order, extent: next });
  return (
    <div className="grid gap-2">
      <Choice
        label={TEXTS.contents}
        isWide
        captioned
        value={extent.kind}
        options={(['tile', 'repeats', 'cell', 'length'] as const).map((kind) => ({ value: kind, name: TEXTS[kind] }))}
        onChange={(kind) => change(BEGINNINGS[kind])}
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
              onChange={(value) => change({ ...extent, [side]: value })}
            />
          ))}
        </div>
      )}
      {extent.kind === 'length' && <PageFields order={order} extent={extent} onChange={onChange} />}
    </div>
  );
}
