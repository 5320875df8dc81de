import { Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import type { SwatchSummary } from '../../../contract/index.ts';
import { repeatText, tileOf } from '../../../core/lattice/index.ts';
import { blobUrl } from '../../api/client.ts';
import { Button } from '../../ui/Button.tsx';
import { ClothSample } from '../../ui/ClothSample.tsx';
import { useUnit } from '../../ui/unit.ts';
import { TEXTS } from './texts.ts';
import { useSwatchRemoval } from './useSwatchRemoval.ts';

/** The cloth in the book, CSS pixels per millimetre: all swatches at one scale, so that they can be compared. */
const IN_THE_BOOK = 0.75;
/** CSS pixels of a sample in the book. */
const SAMPLE_HEIGHT = 240;
/** Of a swatch in the book, all in all. */
export const BOOKED_HEIGHT = SAMPLE_HEIGHT + 92;

/** A square of cloth with pinked edges. */
const PINKED = 'polygon(' + pinked().join(',') + ')';

function pinked(): string[] {
  const teeth = 28;
  const depth = 1.4;
  const side = (at: (along: number, into: number) => string): string[] =>
    Array.from({ length: teeth }, (_, i) => [at((100 * i) / teeth, 0), at((100 * (i + 0.5)) / teeth, depth)]).flat();
  return [
    ...side((along, into) => `${along}% ${into}%`),
    ...side((along, into) => `${100 - into}% ${along}%`),
    ...side((along, into) => `${100 - along}% ${100 - into}%`),
    ...side((along, into) => `${into}% ${100 - along}%`),
  ];
}

interface Props {
  readonly swatch: SwatchSummary;
  /** Whether one repeat fills the sample, rather than all being at one scale. */
  readonly fitted: boolean;
  readonly selected: boolean;
  readonly onSelect: (selected: boolean) => void;
  /** Where it lies in the grid, CSS pixels. */
  readonly place: { readonly top: number; readonly left: number; readonly width: number };
}

/** A swatch in the book: a piece of its cloth, and what it is. */
export function BookedSwatch({ swatch, fitted, selected, onSelect, place }: Props) {
  const [unit] = useUnit();
  const remove = useSwatchRemoval();
  const { id, name, repeat, thumbnail, colours, tags } = swatch;
  const scale = fitted ? SAMPLE_HEIGHT / tileOf(repeat).height : IN_THE_BOOK;
  return (
    <li
      className={`absolute border bg-white p-3 pb-2.5 ${selected ? 'border-ink ring-1 ring-ink' : 'border-thread'}`}
      style={{ height: BOOKED_HEIGHT, ...place }}
    >
      <Link to={`/swatches/${id}`} className="block">
        <div style={{ clipPath: PINKED }}>
          <ClothSample picture={blobUrl(thumbnail)} repeat={repeat} scale={scale} className="h-60" />
        </div>
        <span className="mt-2 block truncate pr-9 font-name text-base font-semibold" title={name}>
          {name}
        </span>
        <span className="block h-4 truncate pr-9 text-xs text-graphite">{tags.join(', ')}</span>
        <span className="flex items-center gap-2 text-sm text-graphite">
          <span className="truncate">{repeatText(repeat, unit)}</span>
          <span className="ml-auto flex shrink-0 gap-1" aria-hidden>
            {colours.slice(0, 8).map((colour, i) => (
              <span key={i} className="h-3 w-3 rounded-full border border-ink/20" style={{ background: colour }} />
            ))}
          </span>
        </span>
      </Link>
      <label className="absolute top-3 left-3 grid h-10 w-10 cursor-pointer place-items-center">
        <span className="grid h-6 w-6 place-items-center rounded-md border border-thread bg-white shadow-float">
          <input
            type="checkbox"
            aria-label={TEXTS.selectName(name)}
            checked={selected}
            onChange={(event) => onSelect(event.target.checked)}
            className="h-4 w-4 accent-ink"
          />
        </span>
      </label>
      <Button
        look="quiet"
        label={TEXTS.deleteName(name)}
        onClick={() => remove(swatch)}
        className="absolute right-2 bottom-11"
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </li>
  );
}
