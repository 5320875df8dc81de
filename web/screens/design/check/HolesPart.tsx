import { nanoid } from 'nanoid';
import { useEffect, useState } from 'react';
import type { Design } from '../../../../core/document/index.ts';
import { applyToss, type Hole, tossedPlacements } from '../../../../core/toss/index.ts';
import { formatNumber } from '../../../../core/units/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../../../core/problem/index.ts';

/** Holes listed at the most. */
const MOST = 24;
/** After an edit, so long, ms. */
const SOON = 80;

/** From this share of how far motifs lie apart, evenly, a hole is one to the eye. */
const NOTABLE = 0.9;

/** The largest empty rounds, on the cloth and as a list, and fillers of the toss for them. */
export function HolesPart() {
  const editor = useEditor();
  const { tossing } = editor;
  const { tosser } = tossing;
  useStore(tossing.edited);
  const busy = useStore(tossing.running) !== undefined;
  const committed = useStore(editor.session, (state) => state.committed);
  const motifs = useStore(editor.motifs);
  const shown = useStore(editor.holes);
  const taken = useStore(editor.mark);
  const { recipe } = tossing;
  const [on, setOn] = useState(true);
  const [across, setAcross] = useState(() =>
    Math.max(
      5,
      Math.round(
        NOTABLE *
          Math.sqrt((committed.repeat.width * committed.repeat.height) / Math.max(1, committed.placements.length)),
      ),
    ),
  );
  const [problem, setProblem] = useState<string>();
  /** What the holes that are shown were looked for in. */
  const [seen, setSeen] = useState<{ readonly design: Design; readonly across: number }>();

  useEffect(() => {
    if (!on) return;
    let left = false;
    const timer = setTimeout(() => {
      tosser
        .run(committed, motifs, { kind: 'holes', least: across / 2, most: MOST })
        .done.then((circles) => {
          if (left) return;
          editor.holes.set(circles);
          setSeen({ design: committed, across });
        })
        .catch((error: unknown) => setProblem(messageOf(error)));
    }, SOON);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [on, across, committed, motifs, tosser, editor]);
  useEffect(() => () => editor.holes.set([]), [editor]);

  const fill = (holes: readonly Hole[]): void => {
    const { layer } = editor;
    if (!layer) return;
    const start = editor.session.state.committed;
    tosser
      .run(start, motifs, { kind: 'fill', recipe, holes })
      .done.then((laid) => {
        const nonce = nanoid(6);
        const missed = holes.length - laid.length;
        setProblem(missed > 0 ? TEXTS.holesCouldNotBeFilled(missed) : undefined);
        if (laid.length > 0 && editor.session.state.committed === start) {
          editor.commit(
            laid.length === 1 ? TEXTS.filledAHole : TEXTS.filledCountHoles(laid.length),
            applyToss(
              start,
              editor.motifMap,
              recipe,
              tossedPlacements(laid, layer.id, (n) => `${nonce}-${n}`),
              true,
            ),
          );
        }
      })
      .catch((error: unknown) => setProblem(messageOf(error)));
  };
  const isUpToDate = seen?.design === committed && seen.across === across;
  const canFill = recipe.entries.length > 0 && !busy;

  return (
    <>
      <Tick
        label={TEXTS.showHolesOnTheCloth}
        on={on}
        onChange={(next) => {
          setOn(next);
          if (!next) editor.holes.set([]);
        }}
      />
      <LengthField label={TEXTS.widerThan} mm={across} min={1} max={1000} onChange={setAcross} />
      {on && (
        <>
          <p className="text-xs text-graphite" data-holes={shown.length}>
            {!isUpToDate && shown.length === 0
              ? TEXTS.looking
              : shown.length === 0
                ? TEXTS.noHoleIsWiderThan(formatNumber(across, 1))
                : TEXTS.countTheWidestRMm(shown.length, MOST, formatNumber(2 * (shown[0]?.r ?? 0), 1))}
          </p>
          <ul aria-label={TEXTS.holes} className="grid max-h-44 gap-1 overflow-y-auto">
            {shown.map((hole, n) => (
              <li
                key={`${hole.x} ${hole.y}`}
                aria-current={taken === `hole ${n}`}
                className="grid grid-cols-[20px_minmax(0,1fr)_auto] items-center gap-2 rounded-md text-sm aria-[current=true]:bg-linen aria-[current=true]:font-semibold"
              >
                <span className="pl-1 text-xs text-graphite">{n + 1}</span>
                <span>{TEXTS.rMm(formatNumber(2 * hole.r, 1))}</span>
                <Button disabled={!canFill} onClick={() => fill([hole])}>
                  {TEXTS.fill}
                </Button>
              </li>
            ))}
          </ul>
          <Button
            disabled={!canFill || shown.length === 0}
            title={canFill ? undefined : TEXTS.theTossHasNoMotifs}
            onClick={() => fill(shown)}
          >
            {TEXTS.fillAllOfThese}
          </Button>
        </>
      )}
      {problem && (
        <p role="alert" className="text-xs text-madder">
          {problem}
        </p>
      )}
    </>
  );
}
