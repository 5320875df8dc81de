import type { ReactNode } from 'react';
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

/** The measures of a layout. */
export function LayoutFields({ layout, corner, onChange }: Props) {
  const count = (label: string, value: number, set: (n: number) => ArrayLayout, min = 1, max = 100): ReactNode => (
    <AmountField label={label} value={value} min={min} max={max} onChange={(n) => onChange(set(Math.round(n)))} />
  );
  const length = (label: string, mm: number, set: (mm: number) => ArrayLayout, min = 0.1): ReactNode => (
    <LengthField label={label} mm={mm} min={min} max={5000} onChange={(to) => onChange(set(to))} />
  );
  return <div className="grid grid-cols-2 gap-2">{fields()}</div>;

  function fields(): ReactNode {
    switch (layout.kind) {
      case 'grid':
        return (
          <>
            {count(TEXTS.columns, layout.columns, (columns) => ({ ...layout, columns }))}
            {count(TEXTS.rows, layout.rows, (rows) => ({ ...layout, rows }))}
            {length(TEXTS.across, layout.across, (across) => ({ ...layout, across }))}
            {length(TEXTS.down, layout.down, (down) => ({ ...layout, down }))}
            <AmountField
              label={TEXTS.shift}
              sign="%"
              value={100 * layout.shift}
              min={0}
              max={100}
              onChange={(percent) => onChange({ ...layout, shift: percent / 100 })}
            />
          </>
        );
      case 'ring':
        return (
          <>
            {count(TEXTS.count, layout.count, (n) => ({ ...layout, count: n }), 1, MOST_IN_ARRAY)}
            {length(TEXTS.radius, layout.radius, (radius) => ({ ...layout, radius }), 0)}
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
          </>
        );
      case 'line':
        return (
          <>
            {count(TEXTS.count, layout.count, (n) => ({ ...layout, count: n }), 1, MOST_IN_ARRAY)}
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
          </>
        );
      case 'frame':
        return (
          <>
            {length(TEXTS.width, layout.width, (width) => ({ ...layout, width }))}
            {length(TEXTS.height, layout.height, (height) => ({ ...layout, height }))}
            {count(TEXTS.sidesAcross, layout.across, (across) => ({ ...layout, across }), 0)}
            {count(TEXTS.sidesDown, layout.down, (down) => ({ ...layout, down }), 0)}
            <MotifField
              label={TEXTS.corner}
              prompt={corner?.name ?? TEXTS.cornerPrompt}
              onPick={({ id }) => onChange({ ...layout, corner: id })}
            />
            {layout.corner !== null && (
              <Button onClick={() => onChange({ ...layout, corner: null })}>{TEXTS.cornersAsSides}</Button>
            )}
          </>
        );
    }
  }
}
