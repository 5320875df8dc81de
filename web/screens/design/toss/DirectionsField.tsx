import type { Directions } from '../../../../core/recipe/index.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { TEXTS } from './texts.ts';

const DIRECTIONS = [
  { value: 'one', name: TEXTS.one },
  { value: 'two', name: TEXTS.two },
  { value: 'four', name: TEXTS.four },
  { value: 'all', name: TEXTS.all },
  { value: 'range', name: TEXTS.range },
] as const;

/** Which ways the motifs look. */
export function DirectionsField({
  directions,
  onChange,
}: {
  readonly directions: Directions;
  readonly onChange: (directions: Directions) => void;
}) {
  return (
    <div className="grid gap-2">
      <h4 className="text-xs text-graphite">{TEXTS.directions}</h4>
      <Choice
        label={TEXTS.directions}
        value={directions.kind}
        options={DIRECTIONS}
        onChange={(kind) => onChange(kind === 'range' ? { kind, from: -20, to: 20 } : { kind })}
      />
      {directions.kind === 'range' && (
        <div className="grid grid-cols-2 gap-2">
          <AmountField
            label={TEXTS.from}
            sign="°"
            value={directions.from}
            min={-360}
            max={360}
            step={5}
            onChange={(from) => onChange({ ...directions, from })}
          />
          <AmountField
            label={TEXTS.to}
            sign="°"
            value={directions.to}
            min={-360}
            max={360}
            step={5}
            onChange={(to) => onChange({ ...directions, to })}
          />
        </div>
      )}
    </div>
  );
}
