import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { colourName } from '../../../../../core/colour/index.ts';
import { cutText, MOST_NAME } from '../../../../../core/schema/index.ts';
import { liftPalette, type Shelf } from '../../../../../core/shelf/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { Button } from '../../../../ui/Button.tsx';
import { PaletteStrip } from '../../../../ui/PaletteStrip.tsx';
import { SliderField } from '../../../../ui/SliderField.tsx';
import { smallPixels } from '../../../../api/smallPixels.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly file: File;
  readonly onKeep: (shelf: Shelf) => void;
  readonly onDiscard: () => void;
}

const [FEWEST, MOST, USUAL] = [3, 24, 7];

/** The colours of a picture and how much of it each stands for; so many as are wished for. */
export function LiftedPalette({ file, onKeep, onDiscard }: Props) {
  const editor = useEditor();
  const [count, setCount] = useState(USUAL);
  const [pixels, setPixels] = useState<{ readonly of: File; readonly data: Uint8ClampedArray }>();
  useEffect(() => {
    let isGone = false;
    smallPixels(file).then(
      (data) => {
        if (!isGone) setPixels({ of: file, data });
      },
      () => {
        if (isGone) return;
        editor.refusal.set(TEXTS.notRead(file.name, TEXTS.notAPicture));
        onDiscard();
      },
    );
    return () => void (isGone = true);
    // Read once for each file.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [file]);
  const photograph = useRef<HTMLImageElement>(null);
  useEffect(() => {
    const url = URL.createObjectURL(file);
    if (photograph.current) photograph.current.src = url;
    return () => URL.revokeObjectURL(url);
  }, [file]);
  // The slider goes on while colours are found.
  const wanted = useDeferredValue(count);
  const palette = useMemo(() => (pixels?.of === file ? liftPalette(pixels.data, wanted) : []), [pixels, file, wanted]);
  const keep = (): void =>
    onKeep({
      name: cutText(file.name.replace(/\.\w+$/, ''), MOST_NAME),
      inks: palette.map(({ colour }) => ({ name: colourName(colour), colour })),
    });
  return (
    <div
      role="group"
      aria-label={TEXTS.lifted(file.name)}
      className="grid grid-cols-1 gap-2 rounded-md border border-thread bg-white p-2.5"
    >
      <span className="truncate text-sm">{TEXTS.lifted(file.name)}</span>
      {/* Shown, so that the dropper can take a colour from it. */}
      <img ref={photograph} alt="" className="max-h-36 w-full object-contain" />
      <SliderField label={TEXTS.colours} value={count} min={FEWEST} max={MOST} step={1} onChange={setCount} />
      <PaletteStrip palette={palette} />
      {pixels && palette.length === 0 && <p className="text-xs text-graphite">{TEXTS.nothingSeen}</p>}
      <div className="flex justify-end gap-2">
        <Button onClick={onDiscard}>{TEXTS.discard}</Button>
        <Button look="accent" disabled={palette.length === 0} onClick={keep}>
          {TEXTS.keepLifted}
        </Button>
      </div>
    </div>
  );
}
