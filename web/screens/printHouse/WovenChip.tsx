import { useEffect, useRef } from 'react';
import { type PrintCloth, printOnCloth } from '../../../core/print/index.ts';

/** CSS pixels along each side, and of a thread: enlarged, so that the weave of a fine cloth can be told too. */
const [SIDE, THREAD] = [56, 5];

/** A bit of bare cloth, woven as it is. */
export function WovenChip({ cloth }: { readonly cloth: PrintCloth }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const bare = { width: SIDE, height: SIDE, data: new Uint8ClampedArray(4 * SIDE * SIDE) };
    const { data } = printOnCloth(bare, (THREAD * cloth.threads) / 10, cloth);
    context.putImageData(new ImageData(new Uint8ClampedArray(data), SIDE, SIDE), 0, 0);
  }, [cloth]);
  return <canvas ref={canvas} width={SIDE} height={SIDE} aria-hidden className="h-14 w-14 shrink-0 rounded-sm" />;
}
