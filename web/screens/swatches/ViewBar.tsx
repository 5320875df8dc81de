import { Minus, Plus } from 'lucide-react';
import { type Repeat, tileOf } from '../../../core/lattice/index.ts';
import { formatLength } from '../../../core/units/index.ts';
import { ActualSize } from '../../ui/ActualSize.tsx';
import { Button } from '../../ui/Button.tsx';
import { useUnit } from '../../ui/unit.ts';
import { TEXTS } from './texts.ts';

const ZOOM = 1.25;
const [LEAST, MOST] = [0.05, 20];
const METRE = 1000;

interface Props {
  readonly repeat: Repeat;
  /** CSS pixels per millimetre. */
  readonly scale: number;
  readonly onScale: (scale: number) => void;
}

/** How much of the cloth the window shows. */
export function ViewBar({ repeat, scale, onScale }: Props) {
  const [unit] = useUnit();
  const set = (next: number): void => onScale(Math.min(MOST, Math.max(LEAST, next)));
  const tile = tileOf(repeat);
  const showRepeats = (n: number): void =>
    set(Math.min(window.innerWidth / (n * tile.width), window.innerHeight / (n * tile.height)));
  return (
    <div
      role="group"
      aria-label={TEXTS.scale}
      className="absolute right-4 bottom-5 flex items-center gap-1 rounded-md border border-thread bg-calico p-1 shadow-float"
    >
      {[1, 2, 3, 4].map((n) => (
        <Button key={n} look="quiet" className="px-2!" onClick={() => showRepeats(n)}>
          {n === 1 ? TEXTS.oneRepeat : TEXTS.repeats(n)}
        </Button>
      ))}
      <Button look="quiet" className="px-2!" onClick={() => set(window.innerWidth / METRE)}>
        {TEXTS.aMetre}
      </Button>
      <ActualSize onShow={set} />
      <Button look="quiet" label={TEXTS.zoomOut} onClick={() => set(scale / ZOOM)}>
        <Minus size={16} aria-hidden />
      </Button>
      <Button look="quiet" label={TEXTS.zoomIn} onClick={() => set(scale * ZOOM)}>
        <Plus size={16} aria-hidden />
      </Button>
      <output className="px-2 text-sm" data-scale={scale}>
        {TEXTS.seenWidth(formatLength(Math.round(window.innerWidth / scale), unit))}
      </output>
    </div>
  );
}
