import { transform } from '../../core/geometry/index.ts';
import { instancesIn } from '../../core/draw/index.ts';
import type { Lattice } from '../../core/lattice/index.ts';
import { VineCurve, vineBox } from '../../core/vine/index.ts';
import { useStore } from '../ui/store.ts';
import { ClothPin } from './ClothPin.tsx';
import { useEditor } from './editorContext.ts';
import { knotGesture } from './gestures/vineGesture.ts';
import type { PointerController } from './pointerController.ts';
import { TEXTS } from './texts.ts';
import { toCss, type Viewport, windowMm } from './viewport.ts';

interface Props {
  readonly viewport: Viewport;
  readonly lattice: Lattice;
  readonly controller: PointerController;
}

/** More than this many pins hide the cloth. */
const MOST_PINS = 150;

/** The points of the vine that is being made, wherever it is seen: each bends it everywhere. */
export function VinePins({ viewport, lattice, controller }: Props) {
  const { drawing } = useEditor();
  const { frame } = useStore(drawing.drawn);
  useStore(drawing.vines.draft);
  const chosen = useStore(drawing.vines.knot);
  const tool = useStore(drawing.tool);
  const making = useStore(drawing.making);
  const { vine } = drawing.vines;
  if (!vine || tool !== 'vine' || making) return null;
  return instancesIn(lattice, frame, vineBox(new VineCurve(vine)), windowMm(viewport))
    .flatMap((matrix, m) =>
      vine.knots.map((knot, n) => ({ key: `${m} ${n}`, n, matrix, at: toCss(viewport, transform(matrix, knot)) })),
    )
    .filter(({ at }) => at.x > 0 && at.y > 0 && at.x < viewport.width && at.y < viewport.height)
    .slice(0, MOST_PINS)
    .map(({ key, n, matrix, at }) => (
      <ClothPin
        key={key}
        at={at}
        label={TEXTS.pointOfTheVine(n + 1)}
        chosen={n === chosen}
        data-vine-pin={n}
        onPress={(event) => controller.take(event, () => knotGesture(controller, vine, n, matrix))}
      />
    ));
}
