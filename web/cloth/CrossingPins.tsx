import { instancesIn } from '../../core/draw/index.ts';
import { transform } from '../../core/geometry/index.ts';
import type { Lattice } from '../../core/lattice/index.ts';
import { VineCurve, vineBox } from '../../core/vine/index.ts';
import { useStore } from '../ui/store.ts';
import { useEditor } from './editorContext.ts';
import { TEXTS } from './texts.ts';
import { toCss, type Viewport, windowMm } from './viewport.ts';

interface Props {
  readonly viewport: Viewport;
  readonly lattice: Lattice;
}

/** More marks than this hide the cloth. */
const MOST_SHOWN = 100;

/** Where the vine that is made is crossed, wherever it is seen: a click has it go under there, or over again. */
export function CrossingPins({ viewport, lattice }: Props) {
  const editor = useEditor();
  const { drawing } = editor;
  const { frame } = useStore(drawing.drawn);
  useStore(drawing.vines.draft);
  useStore(editor.session);
  const tool = useStore(drawing.tool);
  const { vine } = drawing.vines;
  if (!vine || tool !== 'vine') return null;
  const { crossings } = drawing.vines;
  if (crossings.length === 0) return null;
  return instancesIn(lattice, frame, vineBox(new VineCurve(vine)), windowMm(viewport))
    .flatMap((matrix, m) =>
      crossings.map((crossing, n) => ({
        crossing,
        key: `${m} ${n}`,
        n,
        at: toCss(viewport, transform(matrix, crossing.place)),
      })),
    )
    .filter(({ at }) => at.x > 0 && at.y > 0 && at.x < viewport.width && at.y < viewport.height)
    .slice(0, MOST_SHOWN)
    .map(({ crossing, key, n, at }) => {
      const isUnder = drawing.vines.isUnder(crossing);
      const label = TEXTS.crossing(n + 1, isUnder);
      return (
        <button
          key={key}
          type="button"
          tabIndex={-1}
          data-own-press
          data-crossing={n}
          aria-pressed={isUnder}
          aria-label={label}
          title={label}
          style={{ left: at.x, top: at.y }}
          onClick={() => drawing.vines.swap(crossing)}
          className="absolute grid h-6 w-6 -translate-x-1/2 -translate-y-1/2 place-items-center pointer-coarse:h-10 pointer-coarse:w-10"
        >
          <span
            className={`h-3 w-3 rotate-45 border-2 shadow-float ${isUnder ? 'border-white bg-ink' : 'border-ink bg-white'}`}
          />
        </button>
      );
    });
}
