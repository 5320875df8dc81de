import { useEffect, useRef } from 'react';
import type { Hex } from '../../../../../core/colour/index.ts';
import { layPlates, type Separation } from '../../../../../core/separate/index.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly separation: Separation;
  /** The inks whose plates are shown. */
  readonly shown: ReadonlySet<string>;
  /** In black, as film, rather than in their inks. */
  readonly asFilm: boolean;
}

const FILM: Hex = '#000000';

/** Plates laid over each other on white, one tile and what follows it. */
export function PlatesCloth({ separation, shown, asFilm }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const { inks, plates, width, height } = separation;
    const sheet = canvas.current;
    const context = sheet?.getContext('2d');
    if (!sheet || !context) return;
    const laid = inks.flatMap(({ id, colour }, n) =>
      shown.has(id) ? [{ colour: asFilm ? FILM : colour, shades: plates[n] as Uint8Array }] : [],
    );
    sheet.width = width;
    sheet.height = height;
    context.putImageData(new ImageData(layPlates(laid, width * height), width, height), 0, 0);
  }, [separation, shown, asFilm]);
  return (
    <div className="grid min-h-0 min-w-0 grow grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)] place-items-center p-6">
      <canvas
        ref={canvas}
        role="img"
        aria-label={TEXTS.tile}
        data-plates
        className="max-h-full max-w-full border border-thread bg-white object-contain"
      />
    </div>
  );
}
