import { useEffect, useState } from 'react';
import type { SwatchVersionSummary } from '../../../contract/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import { blobUrl } from '../../api/client.ts';
import { useComparison } from '../../api/swatches.ts';
import { Choice } from '../../ui/Choice.tsx';
import { ClothSample } from '../../ui/ClothSample.tsx';
import { Overlay } from '../../ui/Overlay.tsx';
import { TEXTS } from './texts.ts';

/** Half of a flicker, ms. */
const FLICKER_MS = 600;

interface Props {
  readonly swatch: string;
  readonly from: SwatchVersionSummary;
  readonly to: SwatchVersionSummary;
  /** CSS pixels per millimetre. */
  readonly scale: number;
  readonly onClose: () => void;
}

type Way = 'beside' | 'flicker' | 'difference';

/** Two versions of a swatch, held against each other at one scale. */
export function Comparison({ swatch, from, to, scale, onClose }: Props) {
  const [way, setWay] = useState<Way>('beside');
  const comparison = useComparison(swatch, from.number, to.number, true);
  const { changed, picture } = comparison.data ?? { changed: undefined, picture: null };
  const said =
    comparison.error?.message ??
    (changed === undefined
      ? TEXTS.comparing
      : changed === null
        ? TEXTS.differentSizes
        : changed === 0
          ? TEXTS.nothingChanged
          : TEXTS.changedShare(formatNumber(100 * changed, changed < 0.01 ? 3 : 1)));
  const cloth = (version: SwatchVersionSummary, tile = version.tile) => (
    <ClothSample picture={blobUrl(tile)} repeat={version.repeat} scale={scale} className="min-h-0 min-w-0 grow" />
  );
  return (
    <Overlay
      label={TEXTS.compare(from.number, to.number)}
      title={TEXTS.compare(from.number, to.number)}
      note={said}
      onClose={onClose}
    >
      <div className="w-96 px-3 pt-3">
        <Choice<Way>
          label={TEXTS.compareBy}
          value={way}
          options={[
            { value: 'beside', name: TEXTS.sideBySide },
            { value: 'flicker', name: TEXTS.flicker },
            ...(picture === null ? [] : [{ value: 'difference' as const, name: TEXTS.difference }]),
          ]}
          onChange={setWay}
        />
      </div>
      <div className="flex min-h-0 grow gap-3 p-3" data-comparison={way}>
        {way === 'beside' &&
          [from, to].map((version) => (
            <figure key={version.number} className="flex min-h-0 min-w-0 grow flex-col border border-thread bg-white">
              {cloth(version)}
              <figcaption className="px-3 py-1.5 text-sm">
                <strong className="font-semibold">{TEXTS.versionShort(version.number)}</strong> {version.note}
              </figcaption>
            </figure>
          ))}
        {way === 'flicker' && <Flicker first={cloth(from)} second={cloth(to)} />}
        {way === 'difference' && picture !== null && cloth(to, picture)}
      </div>
    </Overlay>
  );
}

function Flicker({ first, second }: { readonly first: React.ReactNode; readonly second: React.ReactNode }) {
  const [isSecond, setIsSecond] = useState(false);
  useEffect(() => {
    const timer = setInterval(() => setIsSecond((now) => !now), FLICKER_MS);
    return () => clearInterval(timer);
  }, []);
  // Both are there, so that neither has to be loaded when its turn comes.
  return (
    <div className="relative flex grow border border-thread">
      <div className="absolute inset-0 flex">{first}</div>
      <div className={`absolute inset-0 flex ${isSecond ? '' : 'invisible'}`}>{second}</div>
    </div>
  );
}
