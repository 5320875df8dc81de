import { LARGEST_CLONE } from '../../../core/recipe/index.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import type { CloneMode } from './CloneLayer.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly mode: CloneMode;
  readonly radius: number;
  readonly count: number;
  readonly onMode: (mode: CloneMode) => void;
  readonly onRadius: (radius: number) => void;
  readonly onClear: () => void;
}

/** The brush that paints over the cloth with the cloth. */
export function CloneTicket({ mode, radius, count, onMode, onRadius, onClear }: Props) {
  return (
    <section aria-label={TEXTS.cloneBrush} className="grid gap-2 border-t border-dashed border-thread pt-4">
      <Choice
        label={TEXTS.cloneBrush}
        captioned
        value={mode}
        options={[
          { value: 'off', name: TEXTS.cloneOff },
          { value: 'take', name: TEXTS.cloneTake },
          { value: 'paint', name: TEXTS.clonePaint },
        ]}
        onChange={onMode}
      />
      {mode !== 'off' && (
        <AmountField
          label={TEXTS.brushSize}
          sign="%"
          value={200 * radius}
          min={0.5}
          max={200 * LARGEST_CLONE}
          onChange={(percent) => onRadius(percent / 200)}
        />
      )}
      {count > 0 && (
        <div className="flex items-center justify-between text-sm">
          {TEXTS.cloneCount(count)} <Button onClick={onClear}>{TEXTS.removeClones}</Button>
        </div>
      )}
    </section>
  );
}
