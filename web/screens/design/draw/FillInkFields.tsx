import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { DesignInkField } from './InkFields.tsx';
import { TEXTS } from './texts.ts';

/** Whether what a line goes round is filled, and in which ink. */
export function FillInkFields({ label }: { readonly label: string }) {
  const { drawing } = useEditor();
  const { fill, ink } = useStore(drawing.brush);
  return (
    <>
      <Tick label={label} on={fill !== null} onChange={(on) => drawing.changeBrush({ fill: on ? ink : null })} />
      {fill !== null && (
        <DesignInkField label={TEXTS.fillInk} ink={fill} onChange={(next) => drawing.changeBrush({ fill: next })} />
      )}
    </>
  );
}
