import { type Guide, guideLines } from '../../core/document/index.ts';
import { indicesTouching, type Lattice, latticeTranslate } from '../../core/lattice/index.ts';
import { toCss, windowMm, type Viewport } from './viewport.ts';
import { TEXTS } from './texts.ts';

/** More cells than this are too small for guides to be of use. */
const MOST_CELLS = 400;

interface LinesProps {
  readonly guides: readonly Guide[];
  readonly viewport: Viewport;
  readonly lattice: Lattice;
}

/** The guides, in every cell that is seen. */
export function GuideLines({ guides, viewport, lattice }: LinesProps) {
  if (guides.length === 0) return null;
  const cells = indicesTouching(
    lattice,
    { left: 0, top: 0, right: lattice.domain.width, bottom: lattice.domain.height },
    windowMm(viewport),
  );
  if (cells.length > MOST_CELLS) return null;
  const path = guides
    .flatMap((guide) => guideLines(guide, lattice))
    .flatMap(({ axis, at }) =>
      cells.map((steps) => {
        const { x, y } = latticeTranslate(lattice, steps);
        const [from, to] =
          axis === 'x'
            ? [
                { x: x + at, y },
                { x: x + at, y: y + lattice.domain.height },
              ]
            : [
                { x, y: y + at },
                { x: x + lattice.domain.width, y: y + at },
              ];
        const [p, q] = [toCss(viewport, from), toCss(viewport, to)];
        return `M${p.x} ${p.y}L${q.x} ${q.y}`;
      }),
    )
    .join('');
  return (
    <g className="pointer-events-none" fill="none" data-guides={guides.length}>
      <path d={path} stroke="#fff" strokeWidth="2.5" strokeOpacity="0.8" />
      <path d={path} stroke="#3e7a5e" strokeWidth="1" />
    </g>
  );
}

interface PinsProps {
  readonly guides: readonly Guide[];
  readonly lattice: Lattice;
  /** The upper left corner of the cell they are taken in, CSS pixels. */
  readonly x: number;
  readonly y: number;
  /** CSS pixels to the mm. */
  readonly scale: number;
  readonly onPress: (event: PointerEvent, guide: Guide) => void;
}

/** Where guides are taken: a tab at the edge of the cell nearest the middle. */
export function GuidePins({ guides, lattice, x, y, scale, onPress }: PinsProps) {
  return guides.map((guide) => {
    const at = (guideLines(guide, lattice)[0]?.at ?? 0) * scale;
    const place = guide.axis === 'x' ? { left: x + at - 5, top: y - 12 } : { left: x - 12, top: y + at - 5 };
    return (
      <div
        key={guide.id}
        title={TEXTS.dragToMoveTheGuide}
        data-own-press
        data-guide={guide.id}
        style={place}
        className={`absolute rounded-sm border border-white bg-fine ${guide.axis === 'x' ? 'h-3 w-2.5 cursor-ew-resize' : 'h-2.5 w-3 cursor-ns-resize'}`}
        onPointerDown={(event) => onPress(event.nativeEvent, guide)}
      />
    );
  });
}
