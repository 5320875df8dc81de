import { useState } from 'react';
import { Button } from './Button.tsx';
import { Choice } from './Choice.tsx';
import { Dialog } from './Dialog.tsx';
import { DialogFoot } from './DialogFoot.tsx';
import { CARD, keepScreenScale, LEAST_PX_PER_MM, MOST_PX_PER_MM, useScreenScale } from './screenScale.ts';
import { TEXTS } from './texts.ts';

const RULER_MM = 100;
/** As finely as a hand can tell. */
const STEP = 0.005;

/** Measures the screen against a thing of known size, so that actual size is actual. */
export function MeasureScreen({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const { pxPerMm } = useScreenScale();
  const [against, setAgainst] = useState<'card' | 'ruler'>('card');
  const [tried, setTried] = useState<number>();
  const scale = tried ?? pxPerMm;
  const leave = (): void => {
    setTried(undefined);
    onClose();
  };
  return (
    <Dialog title={TEXTS.measureThisScreen} open={open} onClose={leave} wide>
      <div className="grid gap-4">
        <Choice
          label={TEXTS.measureAgainst}
          value={against}
          options={[
            { value: 'card', name: TEXTS.bankCard },
            { value: 'ruler', name: TEXTS.ruler },
          ]}
          onChange={setAgainst}
        />
        <p className="text-sm">{against === 'card' ? TEXTS.holdACard : TEXTS.holdARuler}</p>
        <div className="flex h-64 items-center overflow-hidden rounded-md border border-thread bg-white p-4">
          {against === 'card' ? (
            <div
              data-measured
              className="shrink-0 rounded-lg border border-ink bg-linen"
              style={{ width: CARD.width * scale, height: CARD.height * scale }}
            />
          ) : (
            <svg data-measured className="shrink-0" width={RULER_MM * scale} height={48} aria-hidden>
              {Array.from({ length: RULER_MM + 1 }, (_, mm) => (
                <line
                  key={mm}
                  x1={mm * scale}
                  x2={mm * scale}
                  y1={48}
                  y2={mm % 10 === 0 ? 16 : mm % 5 === 0 ? 28 : 36}
                  stroke="currentColor"
                />
              ))}
            </svg>
          )}
        </div>
        <input
          type="range"
          aria-label={TEXTS.sizeOnScreen}
          min={LEAST_PX_PER_MM}
          max={MOST_PX_PER_MM}
          step={STEP}
          value={scale}
          onChange={(event) => setTried(Number(event.target.value))}
          className="h-8 w-full accent-ink"
        />
        <DialogFoot>
          <Button onClick={leave}>{TEXTS.cancel}</Button>
          <Button
            look="accent"
            onClick={() => {
              keepScreenScale(scale);
              leave();
            }}
          >
            {TEXTS.itFits}
          </Button>
        </DialogFoot>
      </div>
    </Dialog>
  );
}
