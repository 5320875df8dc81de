import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { type Hex, withAlpha } from '../../../core/colour/index.ts';
import { type Fade, type FadeStop, FEWEST_STOPS, type Fill, MOST_STOPS, stopsTo } from '../../../core/recipe/index.ts';
import { withStopAt } from '../../../core/shapes/index.ts';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { InkField } from '../../ui/InkField.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly fill: Fill;
  readonly inks: readonly Hex[];
  readonly onChange: (fade: Fade | null) => void;
}

type Kind = Fade['kind'] | 'none';
const KINDS: readonly { readonly value: Kind; readonly name: string }[] = [
  { value: 'none', name: TEXTS.plain },
  { value: 'across', name: TEXTS.across },
  { value: 'line', name: TEXTS.alongALine },
  { value: 'glow', name: TEXTS.glow },
];
/** Of a new glow, and from end to end of a new line, mm. */
const USUAL_REACH = 12;

/** A fade of a kind, with the stops that there were. */
function fadeOf(kind: Fade['kind'], stops: readonly FadeStop[]): Fade {
  if (kind === 'across') return { kind, angle: 90, stops };
  if (kind === 'glow') return { kind, middle: { x: 0, y: 0 }, radius: USUAL_REACH, stops };
  return { kind, from: { x: 0, y: -USUAL_REACH / 2 }, to: { x: 0, y: USUAL_REACH / 2 }, stops };
}

/** How a fill changes over its piece: along what, and in which inks. */
export function FadeFields({ fill: { ink, fade }, inks, onChange }: Props) {
  return (
    <>
      <Choice
        label={TEXTS.fades}
        captioned
        value={fade?.kind ?? 'none'}
        options={KINDS}
        onChange={(kind) => onChange(kind === 'none' ? null : fadeOf(kind, fade?.stops ?? stopsTo(ink, 0)))}
      />
      {fade && <Place fade={fade} onChange={onChange} />}
      {fade && <Stops stops={fade.stops} inks={inks} onChange={(stops) => onChange({ ...fade, stops })} />}
    </>
  );
}

function Place({ fade, onChange }: { readonly fade: Fade; readonly onChange: (fade: Fade) => void }) {
  if (fade.kind === 'across')
    return (
      <AmountField
        label={TEXTS.towards}
        sign="°"
        value={fade.angle}
        min={-360}
        max={360}
        step={15}
        onChange={(angle) => onChange({ ...fade, angle })}
      />
    );
  if (fade.kind === 'line')
    return (
      <div className="grid grid-cols-2 gap-2">
        {(['from', 'to'] as const).flatMap((end) =>
          (['x', 'y'] as const).map((axis) => (
            <LengthField
              key={end + axis}
              label={TEXTS.endOfLine(end, axis)}
              mm={fade[end][axis]}
              signed
              onChange={(mm) => onChange({ ...fade, [end]: { ...fade[end], [axis]: mm } })}
            />
          )),
        )}
      </div>
    );
  return (
    <div className="grid grid-cols-3 gap-2">
      {(['x', 'y'] as const).map((axis) => (
        <LengthField
          key={axis}
          label={TEXTS.middleOfGlow(axis)}
          mm={fade.middle[axis]}
          signed
          onChange={(mm) => onChange({ ...fade, middle: { ...fade.middle, [axis]: mm } })}
        />
      ))}
      <LengthField
        label={TEXTS.radius}
        mm={fade.radius}
        min={0.1}
        onChange={(radius) => onChange({ ...fade, radius })}
      />
    </div>
  );
}

interface StopsProps {
  readonly stops: readonly FadeStop[];
  readonly inks: readonly Hex[];
  readonly onChange: (stops: readonly FadeStop[]) => void;
}

function Stops({ stops, inks, onChange }: StopsProps) {
  const [picked, setPicked] = useState(0);
  const chosen = Math.min(picked, stops.length - 1);
  const stop = stops[chosen] as FadeStop;
  const set = (change: Partial<FadeStop>): void =>
    onChange(stops.map((one, n) => (n === chosen ? { ...one, ...change } : one)));
  const add = (): void => {
    // Halfway to the next one, or to the one before where it is the last.
    const other = stops[chosen + 1] ?? stops[chosen - 1] ?? stop;
    const middle: FadeStop = {
      ...stop,
      offset: (stop.offset + other.offset) / 2,
      opacity: (stop.opacity + other.opacity) / 2,
    };
    const at = stops[chosen + 1] ? chosen + 1 : chosen;
    onChange([...stops.slice(0, at), middle, ...stops.slice(at)]);
    setPicked(at);
  };
  const ramp = stops.map(({ offset, ink, opacity }) => `${withAlpha(ink, opacity)} ${100 * offset}%`).join(',');
  return (
    <section aria-label={TEXTS.stops} className="grid grid-cols-1 gap-2">
      <div
        className="relative h-5 rounded-sm border border-ink/20"
        style={{ background: `linear-gradient(to right, ${ramp})` }}
      >
        {stops.map(({ offset, ink }, n) => (
          <button
            key={n}
            type="button"
            aria-label={TEXTS.stopAt(n + 1, Math.round(100 * offset))}
            aria-pressed={n === chosen}
            onClick={() => setPicked(n)}
            className="absolute top-2.5 h-5 w-5 -translate-x-1/2 rounded-full border-2 border-white shadow-sm aria-pressed:ring-2 aria-pressed:ring-ink"
            style={{ left: `${100 * offset}%`, background: ink }}
          />
        ))}
      </div>
      <div className="mt-2">
        <InkField label={TEXTS.inkOfStop} ink={stop.ink} offered={inks} onChange={(ink) => set({ ink })} />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <AmountField
          label={TEXTS.position}
          sign="%"
          value={100 * stop.offset}
          min={0}
          max={100}
          step={5}
          onChange={(percent) => onChange(withStopAt(stops, chosen, percent / 100))}
        />
        <AmountField
          label={TEXTS.opacity}
          sign="%"
          value={100 * stop.opacity}
          min={0}
          max={100}
          step={5}
          onChange={(percent) => set({ opacity: percent / 100 })}
        />
      </div>
      <div className="flex justify-end gap-2">
        <Button
          label={TEXTS.removeStop}
          disabled={stops.length <= FEWEST_STOPS}
          onClick={() => onChange(stops.filter((_, n) => n !== chosen))}
        >
          <Trash2 size={15} aria-hidden />
        </Button>
        <Button label={TEXTS.addStop} disabled={stops.length >= MOST_STOPS} onClick={add}>
          <Plus size={15} aria-hidden />
        </Button>
      </div>
    </section>
  );
}
