import { Plus, X } from 'lucide-react';
import { MOST_STOPS, MOST_WAVES, type WaveGround } from '../../../../../core/document/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { AmountField } from '../../../../ui/AmountField.tsx';
import { Button } from '../../../../ui/Button.tsx';
import { useStore } from '../../../../ui/store.ts';
import { ClosingNote } from './ClosingNote.tsx';
import { InkSelect } from './InkSelect.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly ground: WaveGround;
  readonly onChange: (ground: WaveGround) => void;
}

/** Gradients and stripes: inks along a wave, and how many waves lie across and down the cell. */
export function WaveFields({ ground, onChange }: Props) {
  const editor = useEditor();
  const inks = useStore(editor.session, ({ design }) => design.inks);
  const { stops, across, down } = ground;
  const setStop = (n: number, part: Partial<WaveGround['stops'][number]>): void =>
    onChange({
      ...ground,
      stops: stops.map((stop, m) => (m === n ? { ...stop, ...part } : stop)).sort((a, b) => a.at - b.at),
    });
  const add = (): void => {
    const last = stops.at(-1)?.at ?? 0;
    const first = inks.find(({ id }) => !stops.some(({ ink }) => ink === id)) ?? inks[0];
    if (first) onChange({ ...ground, stops: [...stops, { ink: first.id, at: (last + 1) / 2 }] });
  };
  const setWaves = (waves: Partial<Pick<WaveGround, 'across' | 'down'>>): void => {
    const next = { across, down, ...waves };
    // Waves need a direction; without one across there is one down.
    if (next.across === 0 && next.down === 0) next[waves.across === undefined ? 'across' : 'down'] = 1;
    onChange({ ...ground, ...next });
  };
  return (
    <div className="grid grid-cols-1 gap-2">
      {stops.map(({ ink, at }, n) => (
        <div key={n} className="grid grid-cols-[minmax(0,1fr)_72px_auto] items-end gap-2">
          <InkSelect
            label={TEXTS.stopInk(n + 1)}
            inks={inks}
            value={ink}
            onChange={(next) => setStop(n, { ink: next })}
          />
          <AmountField
            label={TEXTS.stopAt(n + 1)}
            value={Math.round(1000 * at) / 10}
            sign="%"
            min={0}
            max={100}
            step={5}
            onChange={(percent) => setStop(n, { at: percent / 100 })}
          />
          <Button
            label={TEXTS.removeStop(n + 1)}
            look="quiet"
            disabled={stops.length <= 2}
            onClick={() => onChange({ ...ground, stops: stops.filter((_, m) => m !== n) })}
          >
            <X size={15} aria-hidden />
          </Button>
        </div>
      ))}
      <Button onClick={add} disabled={stops.length >= MOST_STOPS}>
        <Plus size={15} aria-hidden /> {TEXTS.addStop}
      </Button>
      <div className="grid grid-cols-2 gap-2">
        <AmountField
          label={TEXTS.wavesAcross}
          value={across}
          min={-MOST_WAVES}
          max={MOST_WAVES}
          onChange={(count) => setWaves({ across: Math.round(count) })}
        />
        <AmountField
          label={TEXTS.wavesDown}
          value={down}
          min={-MOST_WAVES}
          max={MOST_WAVES}
          onChange={(count) => setWaves({ down: Math.round(count) })}
        />
      </div>
      <ClosingNote wished={[{ across, down }]} />
    </div>
  );
}
