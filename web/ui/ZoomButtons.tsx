import { Minus, Plus } from 'lucide-react';
import { Button } from './Button.tsx';
import { TEXTS } from './texts.ts';

const ZOOM = 1.25;

interface Props {
  /** CSS pixels per millimetre. */
  readonly scale: number;
  readonly onScale: (scale: number) => void;
}

/** Zooms out and in by a quarter. */
export function ZoomButtons({ scale, onScale }: Props) {
  return (
    <>
      <Button look="quiet" label={TEXTS.zoomOut} onClick={() => onScale(scale / ZOOM)}>
        <Minus size={16} aria-hidden />
      </Button>
      <Button look="quiet" label={TEXTS.zoomIn} onClick={() => onScale(scale * ZOOM)}>
        <Plus size={16} aria-hidden />
      </Button>
    </>
  );
}
