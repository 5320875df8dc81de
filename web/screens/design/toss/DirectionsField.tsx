import type { Directions } from '../../../../core/recipe/index.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Choice } from '../../../ui/Choice.tsx';

const DIRECTIONS = [
  { value: 'one', name: 'One' },
  { value: 'two', name: 'Two' },
  { value: 'four', name: 'Four' },
  { value: 'all', name: 'All' },
  { value: 'range', name: 'Range' },
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
      <h4 className="text-xs text-graphite">Directions</h4>
      <Choice
        label="Directions"
        value={directions.kind}
        options={DIRECTIONS}
        onChange={(kind) => onChange(kind === 'range' ? { kind, from: -20, to: 20 } : { kind })}
      />
      {directions.kind === 'range' && (
        <div className="grid grid-cols-2 gap-2">
          <AmountField
            label="From"
            sign="°"
            value={directions.from}
            min={-360}
            max={360}
            step={5}
            onChange={(from) => onChange({ ...directions, from })}
          />
          <AmountField
            label="To"
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
