import type { DesignMotif } from '../../../contract/index.ts';
import { type ArrayLayout, MOST_IN_ARRAY } from '../../../core/recipe/index.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { MotifField } from '../../ui/MotifField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly layout: ArrayLayout;
  readonly corner: DesignMotif | undefined;
  readonly onChange: (layout: ArrayLayout, field?: string) => void;
}

const LENGTH = { min: 0.1, max: 5000 };

/** The measures of a layout. */
export function LayoutFields({ layout, corner, onChange }: Props) {
  const whole =
    (change: (n: number) => ArrayLayout) =>
    (n: number): void =>
      onChange(change(Math.round(n)));
  switch (layout.kind) {
    case 'grid':
      return (
        <div className="grid grid-cols-2 gap-2">
          <AmountField
            label={TEXTS.columns}
            value={layout.columns}
            min={1}
            max={100}
            onChange={whole((columns) => ({ ...layout, columns }))}
          />
          <AmountField
            label={TEXTS.rows}
            value={layout.rows}
            min={1}
            max={100}
            onChange={whole((rows) => ({ ...layout, rows }))}
          />
          <LengthField
            label={TEXTS.across}
            mm={layout.across}
            {...LENGTH}
            onChange={(across) => onChange({ ...layout, across })}
          />
          <LengthField
            label={TEXTS.down}
            mm={layout.down}
            {...LENGTH}
            onChange={(down) => onChange({ ...layout, down })}
          />
          <AmountField
            label={TEXTS.shift}
            sign="%"
            value={100 * layout.shift}
            min={0}
            max={100}
            onChange={(percent) => onChange({ ...layout, shift: percent / 100 })}
          />
        </div>
      );
    case 'ring':
      return (
        <div className="grid grid-cols-2 gap-2">
          <AmountField
            label={TEXTS.count}
            value={layout.count}
            min={1}
            max={MOST_IN_ARRAY}
            onChange={whole((count) => ({ ...layout, count }))}
          />
          <LengthField
            label={TEXTS.radius}
            mm={layout.radius}
            min={0}
            max={5000}
            onChange={(radius) => onChange({ ...layout, radius })}
          />
          <AmountField
            label={TEXTS.from}
            sign="°"
            value={layout.from}
            min={-360}
            max={360}
            onChange={(from) => onChange({ ...layout, from })}
          />
          <AmountField
            label={TEXTS.sweep}
            sign="°"
            value={layout.sweep}
            min={1}
            max={360}
            onChange={(sweep) => onChange({ ...layout, sweep })}
          />
          <Tick label={TEXTS.facing} on={layout.facing} onChange={(facing) => onChange({ ...layout, facing })} />
        </div>
      );
    case 'line':
      return (
        <div className="grid grid-cols-2 gap-2">
          <AmountField
            label={TEXTS.count}
            value={layout.count}
            min={1}
            max={MOST_IN_ARRAY}
            onChange={whole((count) => ({ ...layout, count }))}
          />
          <Tick label={TEXTS.facing} on={layout.facing} onChange={(facing) => onChange({ ...layout, facing })} />
          <Button
            disabled={layout.points.length >= 40}
            onClick={() => {
              const [before, last] = layout.points.slice(-2);
              if (before && last)
                onChange({
                  ...layout,
                  points: [...layout.points, { x: 2 * last.x - before.x, y: 2 * last.y - before.y }],
                });
            }}
          >
            {TEXTS.addAPoint}
          </Button>
          <Button
            disabled={layout.points.length <= 2}
            onClick={() => onChange({ ...layout, points: layout.points.slice(0, -1) })}
          >
            {TEXTS.removeThePoint}
          </Button>
        </div>
      );
    case 'frame':
      return (
        <div className="grid grid-cols-2 gap-2">
          <LengthField
            label={TEXTS.width}
            mm={layout.width}
            {...LENGTH}
            onChange={(width) => onChange({ ...layout, width })}
          />
          <LengthField
            label={TEXTS.height}
            mm={layout.height}
            {...LENGTH}
            onChange={(height) => onChange({ ...layout, height })}
          />
          <AmountField
            label={TEXTS.sidesAcross}
            value={layout.across}
            min={0}
            max={100}
            onChange={whole((across) => ({ ...layout, across }))}
          />
          <AmountField
            label={TEXTS.sidesDown}
            value={layout.down}
            min={0}
            max={100}
            onChange={whole((down) => ({ ...layout, down }))}
          />
          <MotifField
            label={TEXTS.corner}
            prompt={corner?.name ?? TEXTS.cornerPrompt}
            onPick={({ id }) => onChange({ ...layout, corner: id })}
          />
          {layout.corner !== null && (
            <Button onClick={() => onChange({ ...layout, corner: null })}>{TEXTS.cornersAsSides}</Button>
          )}
        </div>
      );
  }
}
