import type { Point } from '../../core/geometry/index.ts';
import { lanesSeen, seenIn, type Mark } from './marks.ts';
import { toCss, windowMm, type Viewport } from './viewport.ts';

/** More than this many pins hide the cloth. */
const MOST_PINS = 160;

interface Props {
  readonly marks: readonly Mark[];
  readonly viewport: Viewport;
  readonly taken: string | undefined;
  /** @param at where on the cloth it was taken, mm */
  readonly onTake: (mark: Mark, at: Point) => void;
}

/** Where marks are taken: a label with their size, once for each instance, and for a lane at the one nearest the middle. */
export function MarkPins({ marks, viewport, taken, onTake }: Props) {
  const window = windowMm(viewport);
  const pins = marks.flatMap((mark) =>
    (mark.kind === 'lane' ? lanesSeen(mark, window).slice(0, 1) : seenIn(mark, window)).map((at) => ({
      mark,
      at,
      css: toCss(viewport, at),
    })),
  );
  return pins
    .filter(({ css }) => css.x > 8 && css.y > 8 && css.x < viewport.width - 8 && css.y < viewport.height - 8)
    .slice(0, MOST_PINS)
    .map(({ mark, at, css }) => (
      <button
        key={`${mark.key} ${at.x} ${at.y}`}
        type="button"
        tabIndex={-1}
        data-own-press
        data-mark-pin={mark.key}
        title={mark.name}
        aria-label={mark.name}
        style={{ left: css.x, top: css.y }}
        onClick={() => onTake(mark, at)}
        className={`absolute -translate-x-1/2 -translate-y-1/2 cursor-pointer rounded-full border px-1.5 text-[11px] leading-4 font-semibold ${
          mark.key === taken
            ? 'border-ink bg-ink text-white'
            : mark.kind === 'hole'
              ? 'border-ink bg-white/90 text-ink'
              : mark.kind === 'lane'
                ? 'border-[#3e5c76] bg-white/90 text-[#3e5c76]'
                : 'border-madder bg-white/90 text-madder'
        }`}
      >
        {mark.short}
      </button>
    ));
}
