import { useState } from 'react';
import { type Repeat, tileOf } from '../../../core/lattice/index.ts';
import { LONGEST_CLOTH_MM } from '../../../core/export/index.ts';
import { formatLength, formatNumber } from '../../../core/units/index.ts';
import { ActualSize } from '../../ui/ActualSize.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Button } from '../../ui/Button.tsx';
import { useUnit } from '../../ui/unit.ts';
import { KNOWN_THINGS, type KnownThingName } from './knownThings.tsx';
import { ZoomButtons } from '../../ui/ZoomButtons.tsx';
import { TEXTS } from './texts.ts';

const [LEAST, MOST] = [0.05, 20];
const METRE = 1000;
/** A common width of printed cloth, mm. */
const USUAL_CLOTH = 1400;

interface Props {
  readonly repeat: Repeat;
  /** CSS pixels per millimetre. */
  readonly scale: number;
  readonly onScale: (scale: number) => void;
  /** What of known size lies on the cloth. */
  readonly thing: KnownThingName | undefined;
  readonly onThing: (thing: KnownThingName | undefined) => void;
}

/** How much of the cloth the window shows. */
export function ViewBar({ repeat, scale, onScale, thing, onThing }: Props) {
  const [unit] = useUnit();
  const [cloth, setCloth] = useState(USUAL_CLOTH);
  const set = (next: number): void => onScale(Math.min(MOST, Math.max(LEAST, next)));
  const tile = tileOf(repeat);
  const showRepeats = (n: number): void =>
    set(Math.min(window.innerWidth / (n * tile.width), window.innerHeight / (n * tile.height)));
  return (
    <div
      role="group"
      aria-label={TEXTS.scale}
      className="absolute right-4 bottom-5 grid justify-items-end gap-1 rounded-md border border-thread bg-calico p-1 shadow-float"
    >
      <div className="flex items-center gap-2 px-1 text-sm">
        <label className="flex items-center gap-2">
          {TEXTS.layOn}
          <select
            value={thing ?? ''}
            // The options are the names.
            onChange={({ target: { value } }) => onThing(value === '' ? undefined : (value as KnownThingName))}
            className="h-8 w-44 rounded-md border border-thread bg-white px-2"
          >
            <option value="">{TEXTS.nothingLaid}</option>
            {Object.entries(KNOWN_THINGS).map(([key, { name }]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <Button look="quiet" className="px-2!" onClick={() => set(window.innerWidth / cloth)}>
          {TEXTS.fullWidth}
        </Button>
        <span className="w-24">
          <LengthField
            hideLabel
            label={TEXTS.clothWidth}
            mm={cloth}
            min={50}
            max={LONGEST_CLOTH_MM}
            onChange={(mm) => {
              setCloth(mm);
              set(window.innerWidth / mm);
            }}
          />
        </span>
        <span data-across className="text-graphite">
          {TEXTS.across(
            formatNumber(Math.floor(cloth / repeat.width + 1e-9)),
            formatLength(leftOver(cloth, repeat.width), unit),
          )}
        </span>
      </div>
      <div className="flex items-center gap-1">
        {[1, 2, 3, 4].map((n) => (
          <Button key={n} look="quiet" className="px-2!" onClick={() => showRepeats(n)}>
            {n === 1 ? TEXTS.oneRepeat : TEXTS.repeats(n)}
          </Button>
        ))}
        <Button look="quiet" className="px-2!" onClick={() => set(window.innerWidth / METRE)}>
          {TEXTS.aMetre}
        </Button>
        <ActualSize onShow={set} />
        <ZoomButtons scale={scale} onScale={set} />
        <output className="px-2 text-sm" data-scale={scale}>
          {TEXTS.seenWidth(formatLength(Math.round(window.innerWidth / scale), unit))}
        </output>
      </div>
    </div>
  );
}

/** What of a width is left when as many whole cells as fit lie side by side, mm. */
function leftOver(width: number, cell: number): number {
  return Math.max(0, width - Math.floor(width / cell + 1e-9) * cell);
}
