import {
  Blend,
  Brush,
  CircleX,
  Eraser,
  EyeOff,
  type LucideIcon,
  PaintBucket,
  PenLine,
  PenTool,
  Sparkles,
  Spline,
  Sprout,
} from 'lucide-react';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { DrawTool } from '../../../editor/drawing.ts';
import { BrushFields } from './BrushFields.tsx';
import { BrushWidthField } from './BrushWidthField.tsx';
import { DrawingFoot } from './DrawingFoot.tsx';
import { FinishFields } from './FinishFields.tsx';
import { DesignInkField } from './InkFields.tsx';
import { MaskingFields } from './MaskingFields.tsx';
import { PenFields } from './PenFields.tsx';
import { PointsFields } from './PointsFields.tsx';
import { ScatterFields } from './ScatterFields.tsx';
import { ShadeFields } from './ShadeFields.tsx';
import { SymmetryFields } from './SymmetryFields.tsx';
import { VineFields } from './VineFields.tsx';
import { TEXTS } from './texts.ts';

const TOOLS: readonly { readonly value: DrawTool; readonly name: string; readonly Icon: LucideIcon }[] = [
  { value: 'brush', name: TEXTS.brush, Icon: Brush },
  { value: 'pen', name: TEXTS.pen, Icon: PenTool },
  { value: 'fill', name: TEXTS.fillTool, Icon: PaintBucket },
  { value: 'shade', name: TEXTS.shade, Icon: Blend },
  { value: 'rubber', name: TEXTS.rubOut, Icon: Eraser },
  { value: 'remove', name: TEXTS.removeStrokes, Icon: CircleX },
  { value: 'points', name: TEXTS.points, Icon: Spline },
  { value: 'hide', name: TEXTS.hide, Icon: EyeOff },
  { value: 'vine', name: TEXTS.vine, Icon: Sprout },
  { value: 'scatter', name: TEXTS.scatter, Icon: Sparkles },
];

const FIELDS: Readonly<Record<DrawTool, () => React.ReactNode>> = {
  brush: BrushSide,
  pen: PenFields,
  fill: FillFields,
  shade: ShadeFields,
  rubber: RubberFields,
  remove: () => <p className="text-sm">{TEXTS.goOverStrokes}</p>,
  points: PointsFields,
  hide: MaskingFields,
  vine: VineFields,
  scatter: ScatterFields,
};

/** Drawing by hand: with what, along with what, and what becomes of it. */
export function DrawTicket() {
  const editor = useEditor();
  const { drawing } = editor;
  const tool = useStore(drawing.tool);
  const Fields = FIELDS[tool];
  // What is becoming a motif changes no more.
  const making = useStore(drawing.making);
  return (
    <div className="grid grid-cols-1 gap-3">
      <GoOn />
      <Choice label={TEXTS.tool} value={tool} options={TOOLS} onChange={(next) => drawing.tool.set(next)} />
      <fieldset disabled={making} data-making={making || undefined} className="grid min-w-0 grid-cols-1 gap-3">
        <Fields />
      </fieldset>
      <Fold name={TEXTS.whenFinished}>
        <FinishFields />
      </Fold>
      <DrawingFoot />
    </div>
  );
}

/** Offers to go on with the drawing that is selected, or that was finished last. */
function GoOn() {
  const editor = useEditor();
  useStore(editor.selection);
  useStore(editor.session);
  useStore(editor.motifs);
  useStore(editor.drawing.drawn);
  const last = useStore(editor.drawing.last);
  const [selected, ...others] = editor.selectedInstances;
  const placement =
    others.length > 0 ? undefined : (selected ?? (last === undefined ? undefined : editor.placement(last)));
  const motif = placement && editor.motif(placement.motif);
  const kind = motif?.recipe?.kind;
  if (!placement || !motif || !editor.drawing.isEmpty || (kind !== 'drawn' && kind !== 'vine')) return null;
  return (
    <Button onClick={() => editor.drawing.goOn(placement, motif)}>
      <PenLine size={15} aria-hidden className="shrink-0" />
      <span className="truncate">{TEXTS.continueDrawing(motif.name)}</span>
    </Button>
  );
}

function BrushSide() {
  return (
    <>
      <BrushFields />
      <Fold name={TEXTS.mirrorAndTurn}>
        <SymmetryFields />
      </Fold>
    </>
  );
}

function FillFields() {
  const { drawing } = useEditor();
  const { ink } = useStore(drawing.brush);
  return (
    <>
      <p className="text-sm">{TEXTS.clickAnArea}</p>
      <DesignInkField ink={ink} onChange={(next) => drawing.changeBrush({ ink: next })} />
    </>
  );
}

function RubberFields() {
  return (
    <>
      <p className="text-sm">{TEXTS.rubberCuts}</p>
      <BrushWidthField />
    </>
  );
}
