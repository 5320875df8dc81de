import { useEffect, useRef } from 'react';
import { type PrintCloth, printOnCloth } from '../../../core/print/index.ts';

/** CSS pixels along each side; and how many a millimetre of cloth is shown with, so that threads can be told apart. */
const [SIDE, SCALE] = [56, 6];

/** A bit of bare cloth, woven as it is. */
export function WovenChip({ cloth }: { readonly cloth: PrintCloth }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const bare = { width: SIDE, height: SIDE, data: new Uint8ClampedArray(4 * SIDE * SIDE) };
    const { data } = printOnCloth(bare, SCALE, cloth);
    context.putImageData(new ImageData(new Uint8ClampedArray(data), SIDE, SIDE), 0, 0);
  }, [cloth]);
  return <canvas ref={canvas} width={SIDE} height={SIDE} aria-hidden className="h-14 w-14 shrink-0 rounded-sm" />;
}
