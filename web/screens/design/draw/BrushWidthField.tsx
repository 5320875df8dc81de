import { useEditor } from '../../../cloth/editorContext.ts';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** How wide the brush is, whatever it does. */
export function BrushWidthField() {
  const { drawing } = useEditor();
  const { width } = useStore(drawing.brush);
  return (
    <LengthField
      label={TEXTS.width}
      mm={width}
      min={0.05}
      max={200}
      onChange={(next) => drawing.changeBrush({ width: next })}
    />
  );
}
