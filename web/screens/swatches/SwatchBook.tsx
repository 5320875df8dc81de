import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useSwatchBin, useSwatches } from '../../api/swatches.ts';
import { Button } from '../../ui/Button.tsx';
import { Masthead } from '../../ui/Masthead.tsx';
import { Bin } from './Bin.tsx';
import { BookBar } from './BookBar.tsx';
import { BookGrid } from './BookGrid.tsx';
import { type BookWish, EVERY_SWATCH, shelvesOf, swatchesFor } from './bookOrder.ts';
import { ImportPacks } from './ImportPacks.tsx';
import { SelectionBar } from './SelectionBar.tsx';
import { TEXTS } from './texts.ts';

/** Of the head above the swatches, which the rows in sight are counted from; CSS pixels. */
const HEAD_HEIGHT = 90;

/** The swatch book: finished repeats as pieces of cloth. */
export function SwatchBook() {
  const swatches = useSwatches();
  const bin = useSwatchBin();
  const [wish, setWish] = useState<BookWish>(EVERY_SWATCH);
  const [fitted, setFitted] = useState(false);
  const [binOpen, setBinOpen] = useState(false);
  const [ids, setIds] = useState<ReadonlySet<string>>(new Set());
  // Held as state: a grid that is there from the first moment would find no element in a ref, and nothing to draw it again.
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  const all = swatches.data ?? [];
  const found = swatchesFor(all, wish);
  // One that was deleted meanwhile is not selected any more.
  const selected = all.filter(({ id }) => ids.has(id));
  const select = (id: string, on: boolean): void =>
    setIds(new Set(on ? [...ids, id] : [...ids].filter((one) => one !== id)));
  return (
    <div className="flex h-full flex-col">
      <Masthead>
        <ImportPacks />
        {(bin.data?.length ?? 0) > 0 && (
          <Button onClick={() => setBinOpen(true)}>
            <Trash2 size={15} aria-hidden /> {TEXTS.bin}
          </Button>
        )}
      </Masthead>
      <Bin open={binOpen} onClose={() => setBinOpen(false)} />
      <main ref={setScroller} className="grow overflow-auto px-8 pt-6 pb-10">
        <div className="flex flex-wrap items-center justify-between gap-4">
          <h1 className="font-name text-2xl font-semibold">{TEXTS.swatchBook}</h1>
          {all.length > 0 && (
            <BookBar wish={wish} {...shelvesOf(all)} onChange={setWish} fitted={fitted} onFit={setFitted} />
          )}
        </div>
        {swatches.error && (
          <p role="alert" className="mt-4 text-madder">
            {swatches.error.message}
          </p>
        )}
        {swatches.data?.length === 0 && <p className="mt-4 max-w-md">{TEXTS.noSwatchIsSavedYet}</p>}
        {all.length > 0 && found.length === 0 && swatches.isComplete && <p className="mt-4">{TEXTS.nothingFound}</p>}
        <BookGrid
          swatches={found}
          fitted={fitted}
          selected={ids}
          onSelect={select}
          scroller={scroller}
          above={HEAD_HEIGHT}
        />
      </main>
      {selected.length > 0 && <SelectionBar selected={selected} onClear={() => setIds(new Set())} />}
    </div>
  );
}
