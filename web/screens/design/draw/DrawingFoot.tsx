import { Check } from 'lucide-react';
import { useEffect } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TicketFoot } from '../TicketFoot.tsx';
import { TEXTS } from './texts.ts';
import { useFinish } from './useFinish.ts';

/** How much is drawn, and what is to become of it. */
export function DrawingFoot() {
  const { drawing, points, masking } = useEditor();
  const [openPoints, openMask] = [useStore(points.opened), useStore(masking.opened)];
  const scope = useStore(masking.scope);
  const [remaking, hiding] = [useStore(points.making), useStore(masking.making)];
  const { strokes, vine, continued } = useStore(drawing.drawn);
  const pen = useStore(drawing.pen);
  const making = useStore(drawing.making);
  const pause = useStore(drawing.pause);
  const finish = useFinish();
  const isEmpty = strokes.length === 0 && !vine;
  // A vine is bent for as long as it takes.
  const waits = pause > 0 && strokes.length > 0 && !vine && pen === undefined && !continued;
  useEffect(() => {
    if (!waits) return undefined;
    const timer = setTimeout(finish, 1000 * pause);
    return () => clearTimeout(timer);
  }, [waits, strokes, pause, finish]);
  const opened = openPoints ?? openMask;
  if (opened)
    return (
      <TicketFoot label={TEXTS.drawing}>
        <Button look="accent" disabled={remaking || hiding} onClick={finish}>
          <Check size={15} aria-hidden /> {remaking || hiding ? TEXTS.finishing : TEXTS.finish}
        </Button>
        <Button disabled={remaking || hiding} onClick={() => (openPoints ? points : masking).close()}>
          {TEXTS.cancel}
        </Button>
        <p role="status" className="text-xs text-graphite">
          {openMask && scope === 'placement' ? TEXTS.onlyThisOne(opened.name) : TEXTS.goingOnWith(opened.name)}
        </p>
      </TicketFoot>
    );
  return (
    <TicketFoot label={TEXTS.drawing}>
      <div className="grid grid-cols-2 gap-2">
        <Button look="accent" className="col-span-2" disabled={isEmpty || making} onClick={finish}>
          <Check size={15} aria-hidden /> {making ? TEXTS.finishing : TEXTS.finish}
        </Button>
        <Button disabled={strokes.length === 0 || making} onClick={() => drawing.redrawWithBrush()}>
          {TEXTS.redrawWithThisBrush}
        </Button>
        <Button disabled={(isEmpty && !continued) || making} onClick={() => drawing.discard()}>
          {TEXTS.discard}
        </Button>
      </div>
      <p role="status" className="text-xs text-graphite">
        {continued
          ? TEXTS.goingOnWith(continued.name)
          : isEmpty
            ? TEXTS.drawAnywhere
            : strokes.length > 0
              ? TEXTS.strokeCount(strokes.length)
              : TEXTS.vineIsDrawn}
      </p>
    </TicketFoot>
  );
}
