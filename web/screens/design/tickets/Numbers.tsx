import { FlipHorizontal2, FlipVertical2, Link2, Link2Off } from 'lucide-react';
import { useState } from 'react';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { BlendNumberField, OwnField } from '../SelectionFields.tsx';
import { MeasuredDrawing } from './MeasuredDrawing.tsx';
import { TEXTS } from './texts.ts';

/** Exact numbers for the selection, one motif or several: a measured drawing, and what has no place in one. */
export function Numbers() {
  const editor = useEditor();
  const count = useStore(editor.selection, ({ ids }) => ids.length);
  const [keep, setKeep] = useState(true);
  return (
    <section aria-label={TEXTS.numbers} className="grid gap-2">
      <MeasuredDrawing keep={keep}>
        <Button
          look="quiet"
          label={keep ? TEXTS.proportionsAreKept : TEXTS.proportionsAreNotKept}
          pressed={keep}
          onClick={() => setKeep(!keep)}
        >
          {keep ? <Link2 size={15} aria-hidden /> : <Link2Off size={15} aria-hidden />}
        </Button>
      </MeasuredDrawing>
      <div className="grid grid-cols-[1fr_1fr_1fr] items-end gap-2">
        <OwnField kind="size" label={TEXTS.scaleText} />
        <OwnField kind="skew" label={TEXTS.skew} />
        <OwnField kind="opacity" label={TEXTS.opacity} />
      </div>
      <div className="grid grid-cols-[1fr_auto_auto] items-end gap-2">
        <BlendNumberField label={TEXTS.blend} />
        <Button label={TEXTS.flipLeftToRight} onClick={() => editor.flip()}>
          <FlipVertical2 size={16} aria-hidden />
        </Button>
        <Button label={TEXTS.flipTopToBottom} onClick={() => editor.flip(true)}>
          <FlipHorizontal2 size={16} aria-hidden />
        </Button>
      </div>
      {count > 1 && <p className="text-xs text-graphite">{TEXTS.xYWidthAndHeight}</p>}
    </section>
  );
}
