import { Ruler } from 'lucide-react';
import { useState } from 'react';
import { Button } from './Button.tsx';
import { MeasureScreen } from './MeasureScreen.tsx';
import { useScreenScale } from './screenScale.ts';
import { TEXTS } from './texts.ts';

/** Shows the cloth as large as it is printed; says whether the screen was measured for that, and measures it. */
export function ActualSize({ onShow }: { readonly onShow: (pxPerMm: number) => void }) {
  const { pxPerMm, measured } = useScreenScale();
  const [measuring, setMeasuring] = useState(false);
  return (
    <span className="flex" data-screen={measured ? 'measured' : 'not measured'}>
      <Button
        look="quiet"
        className="px-2!"
        title={measured ? TEXTS.asMeasured : TEXTS.notMeasured}
        onClick={() => onShow(pxPerMm)}
      >
        {TEXTS.actualSize}
      </Button>
      <Button
        look="quiet"
        className="relative px-1.5!"
        label={TEXTS.measureThisScreen}
        title={measured ? TEXTS.measureAgain : TEXTS.notMeasured}
        onClick={() => setMeasuring(true)}
      >
        <Ruler size={16} aria-hidden />
        {!measured && <span className="absolute top-1.5 right-0.5 h-1.5 w-1.5 rounded-full bg-weld" aria-hidden />}
      </Button>
      <MeasureScreen open={measuring} onClose={() => setMeasuring(false)} />
    </span>
  );
}
