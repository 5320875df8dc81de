import { useState } from 'react';
import { bestFractions, LARGEST_DENOMINATOR, type Repeat, step, tileOf } from '../../../../core/lattice/index.ts';
import { formatLength } from '../../../../core/units/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useUnit } from '../../../ui/unit.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly repeat: Repeat;
  readonly onTake: (step: Repeat['step']) => void;
}

const SHOWN = 4;

/** A drop of any length: the lattice is then slanted, and has a tile only by a fraction near to it. The smallest within a tolerance is taken; finer ones are offered. */
export function TypedDrop({ repeat, onTake }: Props) {
  const [unit] = useUnit();
  const { kind, drop } = repeat.step;
  const side = kind === 'half-drop' ? repeat.height : repeat.width;
  const now = side * (drop.p / drop.q);
  const [wished, setWished] = useState<number>();
  const [within, setWithin] = useState(0.5);
  const mm = wished ?? now;
  const offers = bestFractions(mm / side, LARGEST_DENOMINATOR)
    .filter(({ p, q }) => p > 0 && p < q)
    .map(({ p, q }) => ({ p, q, off: Math.abs((side * p) / q - mm) }));
  const first = offers.findIndex(({ off }) => off <= within + 1e-9);
  const shown = first < 0 ? offers.slice(-1) : offers.slice(first, first + SHOWN);
  const take = (next: number, tolerance: number): void => {
    const found = bestFractions(next / side, LARGEST_DENOMINATOR).filter(({ p, q }) => p > 0 && p < q);
    const best = found.find(({ p, q }) => Math.abs((side * p) / q - next) <= tolerance + 1e-9) ?? found.at(-1);
    if (best) onTake(step(kind, best.p, best.q));
  };
  return (
    <div className="grid gap-1.5">
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label={kind === 'half-drop' ? TEXTS.dropTyped : TEXTS.shiftTyped}
          mm={mm}
          min={0.01}
          max={side - 0.01}
          onChange={(next) => {
            setWished(next);
            take(next, within);
          }}
        />
        <LengthField label={TEXTS.rightToWithin} mm={within} min={0} max={side} onChange={setWithin} />
      </div>
      {wished !== undefined && (
        <ul aria-label={TEXTS.fractionsNearIt} className="grid gap-1">
          {shown.map(({ p, q, off }) => {
            const tile = tileOf({ ...repeat, step: step(kind, p, q) });
            return (
              <li key={`${p}/${q}`}>
                <Button pressed={p === drop.p && q === drop.q} onClick={() => onTake(step(kind, p, q))}>
                  {TEXTS.fractionOff(
                    `${p}/${q}`,
                    formatLength(off, unit),
                    `${formatLength(tile.width, unit)} × ${formatLength(tile.height, unit)}`,
                  )}
                </Button>
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}
