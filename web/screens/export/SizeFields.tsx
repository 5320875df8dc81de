import {
  type ExportSize,
  type ExportSizeKind,
  LEAST_DPI,
  LONGEST_CLOTH_MM,
  MOST_DPI,
  MOST_WIDTH_PX,
  TEXTURE_SIDES,
} from '../../../core/export/index.ts';
import { formatNumber, parseAmount } from '../../../core/units/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly size: ExportSize;
  /** Of what goes into the file, at its true size, mm. */
  readonly width: number;
  readonly onChange: (size: ExportSize) => void;
}

const COMMON_DPI = [72, 150, 300];

/** How large the file is. */
export function SizeFields({ size, width, onChange }: Props) {
  const beginnings: { readonly [K in ExportSizeKind]: Extract<ExportSize, { kind: K }> } = {
    density: { kind: 'density', dpi: 300 },
    pixels: { kind: 'pixels', width: 2048 },
    print: { kind: 'print', width, dpi: 300 },
    texture: { kind: 'texture', side: 1024 },
  };
  return (
    <div className="grid gap-2">
      <Choice
        label={TEXTS.sizeBy}
        isWide
        captioned
        value={size.kind}
        options={(['density', 'pixels', 'print', 'texture'] as const).map((kind) => ({
          value: kind,
          name: TEXTS[kind],
        }))}
        onChange={(kind) => onChange(beginnings[kind])}
      />
      {size.kind === 'print' && (
        <LengthField
          isLive
          label={TEXTS.print}
          mm={size.width}
          min={1}
          max={LONGEST_CLOTH_MM}
          onChange={(mm) => onChange({ ...size, width: mm })}
        />
      )}
      {(size.kind === 'density' || size.kind === 'print') && (
        <div className="flex items-end gap-2">
          <div className="grow">
            <QuantityField
              isLive
              label={TEXTS.dotsPerInch}
              shown={formatNumber(size.dpi)}
              value={size.dpi}
              step={10}
              read={(text) => parseAmount(text, { sign: '', current: size.dpi, min: LEAST_DPI, max: MOST_DPI })}
              onChange={(dpi) => onChange({ ...size, dpi })}
            />
          </div>
          {COMMON_DPI.map((dpi) => (
            <Button key={dpi} pressed={size.dpi === dpi} onClick={() => onChange({ ...size, dpi })}>
              {dpi}
            </Button>
          ))}
        </div>
      )}
      {size.kind === 'pixels' && (
        <QuantityField
          isLive
          label={TEXTS.widthInPixels}
          shown={String(size.width)}
          value={size.width}
          read={(text) => Math.round(parseAmount(text, { sign: '', current: size.width, min: 1, max: MOST_WIDTH_PX }))}
          onChange={(value) => onChange({ ...size, width: value })}
        />
      )}
      {size.kind === 'texture' && (
        <label className="grid gap-0.5 text-xs text-graphite">
          {TEXTS.longerSide}
          <select
            value={size.side}
            onChange={(event) => onChange({ ...size, side: Number(event.target.value) })}
            className="h-8 rounded-md border border-thread bg-white px-2 text-sm text-ink"
          >
            {TEXTURE_SIDES.map((side) => (
              <option key={side} value={side}>
                {TEXTS.sidePx(side)}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}
