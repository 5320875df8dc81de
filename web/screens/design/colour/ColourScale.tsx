import type { CSSProperties } from 'react';

interface Props {
  readonly label: string;
  readonly value: number;
  readonly max: number;
  readonly step: number;
  readonly shown: string;
  /** The colour at a value. */
  readonly colourAt: (value: number) => string;
  /** Where colours end that the screen can show, as shares of the scale; hatched elsewhere. */
  readonly isShown: (value: number) => boolean;
  readonly onChange: (value: number) => void;
}

const STOPS = 24;

/** One scale of a colour, painted in what it leads through. */
export function ColourScale({ label, value, max, step, shown, colourAt, isShown, onChange }: Props) {
  const values = Array.from({ length: STOPS + 1 }, (_, n) => (max * n) / STOPS);
  const colours = values.map((at, n) => `${colourAt(at)} ${(100 * n) / STOPS}%`);
  const veils = values.map((at, n) => `${isShown(at) ? 'transparent' : 'var(--color-linen)'} ${(100 * n) / STOPS}%`);
  const track: CSSProperties = {
    background: `linear-gradient(to right, ${veils.join(', ')}), linear-gradient(to right, ${colours.join(', ')})`,
  };
  return (
    <label className="grid grid-cols-[5.2rem_minmax(0,1fr)_2.6rem] items-center gap-2 text-xs text-graphite">
      {label}
      <span className="relative block h-5 rounded-sm border border-thread" style={track}>
        <input
          type="range"
          aria-label={label}
          min={0}
          max={max}
          step={step}
          value={value}
          onChange={(event) => onChange(Number(event.target.value))}
          className="colour-scale absolute inset-0 h-full w-full"
          data-own-arrows
        />
      </span>
      <span className="text-right text-ink">{shown}</span>
    </label>
  );
}
