import { useState } from 'react';
import type { SwatchSummary } from '../../../contract/index.ts';
import { repeatText, tileOf } from '../../../core/lattice/index.ts';
import { blobUrl } from '../../api/client.ts';
import { ActualSize } from '../../ui/ActualSize.tsx';
import { ClothSample } from '../../ui/ClothSample.tsx';
import { Overlay } from '../../ui/Overlay.tsx';
import { useUnit } from '../../ui/unit.ts';
import { ZoomButtons } from '../../ui/ZoomButtons.tsx';
import { TEXTS } from './texts.ts';

const [LEAST, MOST] = [0.02, 20];

interface Props {
  readonly swatches: readonly SwatchSummary[];
  readonly onClose: () => void;
}

/** Two to six swatches side by side, all at one scale. */
export function SwatchesBeside({ swatches, onClose }: Props) {
  const [unit] = useUnit();
  const columns = swatches.length <= 3 ? swatches.length : Math.ceil(swatches.length / 2);
  // The largest repeat is seen one and a half times across at first.
  const [scale, setScale] = useState(() => {
    const widest = Math.max(...swatches.map(({ repeat }) => tileOf(repeat).width));
    return window.innerWidth / columns / (1.5 * widest);
  });
  const set = (next: number): void => setScale(Math.min(MOST, Math.max(LEAST, next)));
  return (
    <Overlay
      label={TEXTS.compareSwatches}
      title={TEXTS.sideBySideCount(swatches.length)}
      note={TEXTS.oneScale}
      back={TEXTS.backToTheBook}
      onClose={onClose}
    >
      <div className="flex items-center gap-1 px-3 pt-3">
        <ActualSize onShow={set} />
        <ZoomButtons scale={scale} onScale={set} />
      </div>
      <div
        className="grid min-h-0 grow gap-3 p-3"
        style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`, gridAutoRows: 'minmax(0, 1fr)' }}
        data-beside={scale}
      >
        {swatches.map(({ id, name, tile, repeat }) => (
          <figure key={id} className="flex min-h-0 flex-col border border-thread bg-white">
            <ClothSample picture={blobUrl(tile)} repeat={repeat} scale={scale} className="min-h-0 grow" />
            <figcaption className="flex gap-2 px-3 py-1.5 text-sm">
              <strong className="truncate font-semibold">{name}</strong>
              <span className="ml-auto shrink-0 text-graphite">{repeatText(repeat, unit)}</span>
            </figcaption>
          </figure>
        ))}
      </div>
    </Overlay>
  );
}
