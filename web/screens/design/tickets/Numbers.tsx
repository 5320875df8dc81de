import { FlipHorizontal2, FlipVertical2, Link2, Link2Off } from 'lucide-react';
import { useState } from 'react';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { BlendNumberField, OwnField } from '../SelectionFields.tsx';
import { MeasuredDrawing } from './MeasuredDrawing.tsx';

/** Exact numbers for the selection, one motif or several: a measured drawing, and what has no place in one. */
export function Numbers() {
  const editor = useEditor();
  const count = useStore(editor.selection, ({ ids }) => ids.length);
  const [keep, setKeep] = useState(true);
  return (
    <section aria-label="Numbers" className="grid gap-2">
      <MeasuredDrawing keep={keep}>
        <Button
          look="quiet"
          label={keep ? 'Proportions are kept' : 'Proportions are not kept'}
          pressed={keep}
          onClick={() => setKeep(!keep)}
        >
          {keep ? <Link2 size={15} aria-hidden /> : <Link2Off size={15} aria-hidden />}
        </Button>
      </MeasuredDrawing>
      <div className="grid grid-cols-[1fr_1fr_1fr] items-end gap-2">
        <OwnField kind="size" label="Scale" />
        <OwnField kind="skew" label="Skew" />
        <OwnField kind="opacity" label="Opacity" />
      </div>
      <div className="grid grid-cols-[1fr_auto_auto] items-end gap-2">
        <BlendNumberField label="Blend" />
        <Button label="Flip left to right" onClick={() => editor.flip()}>
          <FlipVertical2 size={16} aria-hidden />
        </Button>
        <Button label="Flip top to bottom" onClick={() => editor.flip(true)}>
          <FlipHorizontal2 size={16} aria-hidden />
        </Button>
      </div>
      {count > 1 && (
        <p className="text-xs text-graphite">
          X, Y, Width and Height are of the whole selection; the rest is each motif’s own. A sum such as +10 adds to
          each.
        </p>
      )}
    </section>
  );
}
