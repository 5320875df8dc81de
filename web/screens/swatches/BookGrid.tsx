import { useVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useState } from 'react';
import type { SwatchSummary } from '../../../contract/index.ts';
import { BOOKED_HEIGHT, BookedSwatch } from './BookedSwatch.tsx';

const GAP = 24;
/** A swatch is at least so wide, CSS pixels; the row's width is shared out. */
const LEAST_WIDTH = 300;

interface Props {
  readonly swatches: readonly SwatchSummary[];
  readonly fitted: boolean;
  readonly selected: ReadonlySet<string>;
  readonly onSelect: (id: string, selected: boolean) => void;
  /** What scrolls; null until it is there. */
  readonly scroller: HTMLElement | null;
  /** CSS pixels of what stands above the grid in it. */
  readonly above: number;
}

/** The swatches of the book; only the rows in sight are there. */
export function BookGrid({ swatches, fitted, selected, onSelect, scroller, above }: Props) {
  const [width, setWidth] = useState(1200);
  useLayoutEffect(() => {
    if (!scroller) return;
    const measure = (): void => {
      const { paddingLeft, paddingRight } = getComputedStyle(scroller);
      setWidth(scroller.clientWidth - Number.parseFloat(paddingLeft) - Number.parseFloat(paddingRight));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(scroller);
    return () => observer.disconnect();
  }, [scroller]);
  const columns = Math.max(1, Math.floor((width + GAP) / (LEAST_WIDTH + GAP)));
  const each = (width - (columns - 1) * GAP) / columns;
  // The library hands out functions that it changes; they are used within this render only.
  // oxlint-disable-next-line react/incompatible-library
  const rows = useVirtualizer({
    count: Math.ceil(swatches.length / columns),
    getScrollElement: () => scroller,
    estimateSize: () => BOOKED_HEIGHT + GAP,
    scrollMargin: above,
    overscan: 2,
  });
  return (
    <ul className="relative mt-5" style={{ height: rows.getTotalSize() }}>
      {rows
        .getVirtualItems()
        .flatMap((row) =>
          swatches
            .slice(row.index * columns, (row.index + 1) * columns)
            .map((swatch, column) => (
              <BookedSwatch
                key={swatch.id}
                swatch={swatch}
                fitted={fitted}
                selected={selected.has(swatch.id)}
                onSelect={(on) => onSelect(swatch.id, on)}
                place={{ top: row.start - above, left: column * (each + GAP), width: each }}
              />
            )),
        )}
    </ul>
  );
}
