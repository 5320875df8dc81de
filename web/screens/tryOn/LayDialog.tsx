import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { messageOf } from '../../../core/problem/index.ts';
import type { Product, ProductDrawing, TryOn } from '../../../core/tryon/index.ts';
import { formatNumber } from '../../../core/units/index.ts';
import type { Pattern } from '../../api/tryOns.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { LaidPicture } from './LaidPicture.tsx';
import type { KeptPattern, LaidOut, LayService, PlainWish } from './layMessages.ts';
import { TEXTS } from './texts.ts';
import { useClothPictures } from './useClothPictures.ts';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly product: Product;
  readonly drawing: ProductDrawing;
  readonly tryOn: TryOn;
  readonly patterns: ReadonlyMap<string, Pattern>;
  /** How the pattern lies on the pieces, where they all have one pattern at one size and angle. */
  readonly pattern: KeptPattern | undefined;
}

/** Orders that are tried, and mm to a cell. */
const [TRIES, CELL] = [400, 5];

/** Lays a product's flat pieces on cloth of a typed width, and says how much of it they take. */
export function LayDialog({ open, onClose, product, drawing, tryOn, patterns, pattern }: Props) {
  const [isKept, setKept] = useState(false);
  const [wish, setWish] = useState<PlainWish>({ width: 1400, gap: 10, isOneWay: true, cell: CELL });
  const { laid, problem, isBusy, start, stop } = useLaying(product, drawing);
  // The width that was laid on; another may be typed by now.
  const [laidOn, setLaidOn] = useState(wish.width);
  const pictures = useClothPictures(open && (isBusy || laid !== undefined), product, drawing, tryOn, patterns);
  const change = (next: Partial<PlainWish>): void => setWish({ ...wish, ...next });
  const close = (): void => {
    stop();
    onClose();
  };
  return (
    <Dialog title={TEXTS.layOnCloth} open={open} onClose={close} wide>
      <div className="grid gap-4">
        <div className="grid grid-cols-2 gap-3">
          <LengthField
            label={TEXTS.clothWidth}
            mm={wish.width}
            min={100}
            max={5000}
            onChange={(width) => change({ width })}
          />
          <LengthField label={TEXTS.gap} mm={wish.gap} min={0} max={100} onChange={(gap) => change({ gap })} />
        </div>
        <div className="flex flex-wrap gap-x-5">
          <Tick label={TEXTS.oneWay} on={wish.isOneWay} onChange={(isOneWay) => change({ isOneWay })} />
          {pattern && <Tick label={TEXTS.keepPattern} on={isKept} onChange={setKept} />}
        </div>
        <div className="flex items-center gap-3">
          {isBusy ? (
            <>
              <Button onClick={stop}>{TEXTS.stop}</Button>
              <progress aria-label={TEXTS.laying} value={(laid?.tries ?? 0) / TRIES} className="h-1.5 grow" />
            </>
          ) : (
            <Button
              look="accent"
              onClick={() => {
                setLaidOn(wish.width);
                start(wish, isKept ? pattern : undefined);
              }}
            >
              {TEXTS.lay}
            </Button>
          )}
        </div>
        {problem !== undefined && (
          <p role="alert" className="text-sm text-madder">
            {problem}
          </p>
        )}
        {laid && (
          <>
            <p role="status" className="text-sm" data-laid={isBusy ? 'busy' : 'done'}>
              <strong>{TEXTS.lengthNeeded(formatNumber(laid.plan.length / 1000, 2))}</strong>{' '}
              {TEXTS.clothUsed(formatNumber(laid.plan.used * 100, 0))}
            </p>
            <LaidPicture
              laid={laid}
              width={laidOn}
              cell={CELL}
              product={product}
              drawing={drawing}
              tryOn={tryOn}
              pictures={pictures}
            />
          </>
        )}
      </div>
    </Dialog>
  );
}

/** A worker that lays pieces, one job at a time, and is ended when it is stopped or no longer wanted. */
function useLaying(product: Product, drawing: ProductDrawing) {
  const [laid, setLaid] = useState<LaidOut>();
  const [problem, setProblem] = useState<string>();
  const [isBusy, setIsBusy] = useState(false);
  const worker = useRef<Worker>(undefined);
  const stop = (): void => {
    worker.current?.terminate();
    worker.current = undefined;
    setIsBusy(false);
  };
  const start = (wish: PlainWish, kept: KeptPattern | undefined): void => {
    stop();
    const own = new Worker(new URL('./layWorker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    setLaid(undefined);
    setProblem(undefined);
    setIsBusy(true);
    // What comes after it was stopped is of no interest.
    const whenWanted = (act: () => void): void => {
      if (worker.current === own) act();
    };
    wrap<LayService>(own)
      .layOut(
        product,
        drawing,
        wish,
        kept,
        TRIES,
        proxy((better) => whenWanted(() => setLaid(better))),
      )
      .then(
        (best) =>
          whenWanted(() => {
            setLaid(best);
            stop();
          }),
        (error: unknown) =>
          whenWanted(() => {
            setProblem(messageOf(error));
            stop();
          }),
      );
  };
  useEffect(() => () => worker.current?.terminate(), []);
  return { laid, problem, isBusy, start, stop };
}
