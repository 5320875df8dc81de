import { useState } from 'react';
import { repeatAcross, scaleCell } from '../../../../core/arrange/index.ts';
import { LARGEST_CELL_MM } from '../../../../core/lattice/index.ts';
import { parseAmount } from '../../../../core/units/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { whenMade } from '../../../editor/wholeDesign.ts';
import { Button } from '../../../ui/Button.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** A common width of printed cloth, mm. */
const USUAL_CLOTH = 1400;
const MOST_ACROSS = 200;

/** Rescales the repeat, with all that lies in it, so that so many fit across a width. */
export function RepeatsAcross() {
  const editor = useEditor();
  const repeat = useStore(editor.session, ({ design }) => design.repeat);
  const [width, setWidth] = useState(USUAL_CLOTH);
  const [count, setCount] = useState(() => Math.max(1, Math.round(USUAL_CLOTH / repeat.width)));
  const rescale = (): void => {
    const next = repeatAcross(repeat, width, count);
    const command = next && scaleCell(editor.design, next);
    if (command) editor.commit(TEXTS.scaledTheCell, command);
    else editor.refusal.set(TEXTS.thatWouldMakeAMotif);
  };
  return (
    <div className="grid grid-cols-[4rem_1fr_auto] items-end gap-2">
      <QuantityField
        label={TEXTS.repeatsAcross}
        shown={String(count)}
        value={count}
        read={(text) => Math.round(parseAmount(text, { sign: '', current: count, min: 1, max: MOST_ACROSS }))}
        onChange={setCount}
      />
      <LengthField label={TEXTS.acrossWidth} mm={width} min={50} max={4 * LARGEST_CELL_MM} onChange={setWidth} />
      <Button onClick={() => void whenMade(editor, rescale)} disabled={Math.abs(width / count - repeat.width) < 1e-6}>
        {TEXTS.rescale}
      </Button>
    </div>
  );
}
