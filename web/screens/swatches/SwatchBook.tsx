import type { SwatchSummary } from '../../../contract/index.ts';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { tileOf, repeatText } from '../../../core/lattice/index.ts';
import { blobUrl } from '../../api/client.ts';
import { useSwatchBin, useSwatches } from '../../api/swatches.ts';
import { Button } from '../../ui/Button.tsx';
import { ClothSample } from '../../ui/ClothSample.tsx';
import { Masthead } from '../../ui/Masthead.tsx';
import { useUnit } from '../../ui/unit.ts';
import { Bin } from './Bin.tsx';
import { BookBar } from './BookBar.tsx';
import { type BookWish, shelvesOf, swatchesFor } from './bookOrder.ts';
import { useSwatchRemoval } from './useSwatchRemoval.ts';
import { TEXTS } from './texts.ts';

/** The cloth in the book, CSS pixels per millimetre: all swatches at one scale, so that they can be compared. */
const IN_THE_BOOK = 0.75;
/** CSS pixels of a sample in the book. */
const SAMPLE_HEIGHT = 240;

/** The swatch book: finished repeats as pieces of cloth. */
export function SwatchBook() {
  const swatches = useSwatches();
  const bin = useSwatchBin();
  const [wish, setWish] = useState<BookWish>({ words: '', book: undefined, tag: undefined, sortBy: 'newest' });
  const [fitted, setFitted] = useState(false);
  const [binOpen, setBinOpen] = useState(false);
  const all = swatches.data ?? [];
  const found = swatchesFor(all, wish);
  return (
    <div className="flex h-full flex-col">
      <Masthead>
        {(bin.data?.length ?? 0) > 0 && (
          <Button onClick={() => setBinOpen(true)}>
            <Trash2 size={15} aria-hidden /> {TEXTS.bin}
          </Button>
        )}
      </Masthead>
      <Bin open={binOpen} onClose={() => setBinOpen(false)} />
      <main className="grow overflow-auto px-8 pt-6 pb-10">
        <div className="flex flex-wrap items-center justify-between gap-4">
          <h1 className="font-name text-2xl font-semibold">{TEXTS.swatchBook}</h1>
          {all.length > 0 && (
            <BookBar wish={wish} {...shelvesOf(all)} onChange={setWish} fitted={fitted} onFit={setFitted} />
          )}
        </div>
        {swatches.isError && (
          <p role="alert" className="mt-4 text-madder">
            {swatches.error.message}
          </p>
        )}
        {swatches.data?.length === 0 && <p className="mt-4 max-w-md">{TEXTS.noSwatchIsSavedYet}</p>}
        {all.length > 0 && found.length === 0 && <p className="mt-4">{TEXTS.nothingFound}</p>}
        <ul className="mt-5 grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-6">
          {found.map((swatch) => (
            <BookedSwatch key={swatch.id} swatch={swatch} fitted={fitted} />
          ))}
        </ul>
      </main>
    </div>
  );
}

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

function BookedSwatch({ swatch, fitted }: { readonly swatch: SwatchSummary; readonly fitted: boolean }) {
  const [unit] = useUnit();
  const remove = useSwatchRemoval();
  const { id, name, repeat, thumbnail, colours, tags } = swatch;
  const tile = tileOf(repeat);
  const scale = fitted ? SAMPLE_HEIGHT / tile.height : IN_THE_BOOK;
  return (
    <li className="group relative border border-thread bg-white p-3 pb-2.5">
      <Link to={`/swatches/${id}`} className="block">
        <div style={{ clipPath: PINKED }}>
          <ClothSample picture={blobUrl(thumbnail)} repeat={repeat} scale={scale} className="h-60" />
        </div>
        <span className="mt-2.5 block truncate pr-9 font-name text-base font-semibold" title={name}>
          {name}
        </span>
        {tags.length > 0 && <span className="block truncate text-xs text-graphite">{tags.join(', ')}</span>}
        <span className="flex items-center gap-2 text-sm text-graphite">
          {repeatText(repeat, unit)}
          <span className="ml-auto flex gap-1" aria-hidden>
            {colours.slice(0, 8).map((colour, i) => (
              <span key={i} className="h-3 w-3 rounded-full border border-ink/20" style={{ background: colour }} />
            ))}
          </span>
        </span>
      </Link>
      <Button
        look="quiet"
        label={TEXTS.deleteName(name)}
        onClick={() => remove(swatch)}
        className="absolute right-2 bottom-8 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </li>
  );
}
