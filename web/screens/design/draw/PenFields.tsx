import { useEditor } from '../../../cloth/editorContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { BrushWidthField } from './BrushWidthField.tsx';
import { FillInkFields } from './FillInkFields.tsx';
import { InkFields } from './InkFields.tsx';
import { TEXTS } from './texts.ts';

/** A path that is made point by point: its line, its fill, and its end. */
export function PenFields() {
  const { drawing } = useEditor();
  const brush = useStore(drawing.brush);
  const path = useStore(drawing.path.open);
  return (
    <>
      <p className="text-sm">{TEXTS.clickForPoints}</p>
      <InkFields ink={brush.ink} opacity={brush.opacity} onChange={(part) => drawing.changeBrush(part)}>
        <BrushWidthField />
      </InkFields>
      <FillInkFields label={TEXTS.fillThePath} />
      <div className="grid grid-cols-2 gap-2">
        <Button disabled={(path?.knots.length ?? 0) < 2} onClick={() => drawing.path.end(true)}>
          {TEXTS.closeThePath}
        </Button>
        <Button disabled={!path} onClick={() => drawing.path.end()}>
          {TEXTS.endThePath}
        </Button>
      </div>
      <p role="status" className="text-xs text-graphite" data-path-points={path?.knots.length ?? 0}>
        {TEXTS.pathHints}
      </p>
    </>
  );
}
