import { instancesIn } from '../../core/draw/index.ts';
import { boxAround, transform } from '../../core/geometry/index.ts';
import type { Lattice } from '../../core/lattice/index.ts';
import { SHADING_ENDS } from '../editor/shadeHand.ts';
import { useStore } from '../ui/store.ts';
import { ClothPin } from './ClothPin.tsx';
import { useEditor } from './editorContext.ts';
import { shadingEndGesture } from './gestures/shadeGesture.ts';
import type { PointerController } from './pointerController.ts';
import { TEXTS } from './texts.ts';
import { toCss, type Viewport, windowMm } from './viewport.ts';

interface Props {
  readonly viewport: Viewport;
  readonly lattice: Lattice;
  readonly controller: PointerController;
}

/** More handles than this hide the cloth. */
const MOST_SHOWN = 40;

/** The handles of the shading that is shown, wherever it is seen. */
export function ShadingPins({ viewport, lattice, controller }: Props) {
  const { drawing } = useEditor();
  const { frame } = useStore(drawing.drawn);
  const chosen = useStore(drawing.shades.chosen);
  useStore(drawing.shades.draft);
  const tool = useStore(drawing.tool);
  const { shading } = drawing.shades;
  if (!shading || tool !== 'shade') return null;
  const seen = instancesIn(lattice, frame, boxAround([shading.from, shading.to]), windowMm(viewport));
  return seen.slice(0, MOST_SHOWN).map((matrix, m) => {
    const [from, to] = [shading.from, shading.to].map((end) => toCss(viewport, transform(matrix, end)));
    if (!from || !to) return null;
    return (
      <div key={m} className="contents">
        <svg className="pointer-events-none absolute inset-0 h-full w-full">
          {['#fff', '#1f2430'].map((stroke, n) => (
            <line key={stroke} x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={stroke} strokeWidth={3 - 2 * n} />
          ))}
        </svg>
        {SHADING_ENDS.map((end) => (
          <ClothPin
            key={end}
            at={end === 'from' ? from : to}
            label={end === 'from' ? TEXTS.startOfTheShading : TEXTS.endOfTheShading}
            chosen={chosen?.end === end}
            data-shading-pin={end}
            onPress={(event) => controller.take(event, () => shadingEndGesture(controller, end, matrix))}
          />
        ))}
      </div>
    );
  });
}
