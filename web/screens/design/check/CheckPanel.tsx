import { Sparkles } from 'lucide-react';
import { lazy, Suspense, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Findings } from '../../../../core/check/index.ts';
import { formatNumber } from '../../../../core/units/index.ts';
import { ClothContext } from '../../../cloth/clothContext.ts';
import { lanesSeen, marksOf, marksShown, seenIn, takeMark, type Mark } from '../../../cloth/marks.ts';
import { middle, toMm, windowMm } from '../../../cloth/viewport.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { Editor } from '../../../editor/editor.ts';
import { Button } from '../../../ui/Button.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { HolesPart } from './HolesPart.tsx';
import { useSettle } from '../toss/useSettle.ts';
import { FineDetailPart } from './FineDetailPart.tsx';
import { useFindings } from './useFindings.ts';
import { TEXTS } from './texts.ts';

// Fetched beside the page and not with it, and before the server may be away.
const charts = import('./QuarterCharts.tsx');
const QuarterCharts = lazy(async () => ({ default: (await charts).QuarterCharts }));

const PARTS = [
  { kind: 'lane', name: TEXTS.lanes, none: TEXTS.noLanesThatWide },
  { kind: 'clump', name: TEXTS.clumps, none: TEXTS.noClumpsOfOneMotif },
  { kind: 'pair', name: TEXTS.touchingOrNearlyTouching, none: TEXTS.noMotifsThatClose },
] as const;

/** What the eye would catch on, looked for after every edit: each a mark on the cloth and a line here, taken by a click. */
export function CheckPanel() {
  const editor = useEditor();
  const cloth = useContext(ClothContext);
  const findings = useStore(editor.findings);
  const areMarksShown = useStore(marksShown);
  const [lane, setLane] = useState(4);
  const [near, setNear] = useState(1);
  const problem = useFindings(useMemo(() => ({ lane, near }), [lane, near]));
  const marks = useMemo(() => (findings ? marksOf(editor.lattice, [], findings) : []), [findings, editor]);
  const take = (mark: Mark): void => {
    const viewport = cloth?.view.getViewport();
    const at = viewport && nearestSeen(mark, viewport);
    if (at) takeMark(editor, mark, at);
  };
  return (
    <section aria-label={TEXTS.check} className="grid grid-cols-1 gap-3" data-check={findings ? 'done' : 'looking'}>
      <div className="grid grid-cols-2 gap-2">
        <LengthField label={TEXTS.lanesWiderThan} mm={lane} min={0.5} max={500} onChange={setLane} />
        <LengthField label={TEXTS.pairsNearerThan} mm={near} min={0.1} max={50} onChange={setNear} />
      </div>
      <Tick label={TEXTS.showMarks} on={areMarksShown} onChange={(on) => marksShown.set(on)} />
      {problem && (
        <p role="alert" className="text-xs text-madder">
          {problem}
        </p>
      )}
      {!findings && !problem && <p className="text-sm text-graphite">{TEXTS.looking}</p>}
      {findings &&
        PARTS.map(({ kind, name, none }) => {
          const own = marks.filter((mark) => mark.kind === kind);
          return (
            <Fold key={kind} name={name} note={String(own.length)} open>
              {own.length === 0 ? (
                <p className="text-xs text-graphite">{none}</p>
              ) : (
                <ul aria-label={name} className="grid max-h-44 gap-1 overflow-y-auto">
                  {own.map((mark) => (
                    <MarkRow key={mark.key} mark={mark} onTake={() => take(mark)}>
                      <MarkText editor={editor} mark={mark} findings={findings} />
                    </MarkRow>
                  ))}
                </ul>
              )}
            </Fold>
          );
        })}
      <SettleChosen />
      <Fold name={TEXTS.holes} open>
        <HolesPart />
      </Fold>
      <Fold name={TEXTS.fineDetail}>
        <FineDetailPart />
      </Fold>
      {findings && (
        <Fold name={TEXTS.quarterByQuarter} open>
          <Suspense fallback={<p className="h-84 text-sm text-graphite">{TEXTS.drawing}</p>}>
            <QuarterCharts quarters={findings.quarters} />
          </Suspense>
        </Fold>
      )}
    </section>
  );
}

/** Where a mark is seen nearest to the middle of the cloth; its own place where it is out of sight. */
function nearestSeen(mark: Mark, viewport: Parameters<typeof windowMm>[0]): { x: number; y: number } {
  const window = windowMm(viewport);
  if (mark.kind === 'lane') return lanesSeen(mark, window)[0] ?? mark.at;
  const centre = toMm(viewport, middle(viewport));
  const far = ({ x, y }: { x: number; y: number }): number => Math.hypot(x - centre.x, y - centre.y);
  return seenIn(mark, window).sort((a, b) => far(a) - far(b))[0] ?? mark;
}

function MarkRow({
  mark,
  onTake,
  children,
}: {
  readonly mark: Mark;
  readonly onTake: () => void;
  readonly children: ReactNode;
}) {
  const editor = useEditor();
  const isTaken = useStore(editor.mark) === mark.key;
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isTaken) row.current?.scrollIntoView({ block: 'nearest' });
  }, [isTaken]);
  return (
    <li ref={row}>
      <button
        type="button"
        data-finding={mark.key}
        aria-pressed={isTaken}
        onClick={onTake}
        className="flex min-h-8 w-full items-center gap-2 rounded-md px-2 text-left text-sm hover:bg-linen aria-pressed:bg-linen aria-pressed:font-semibold"
      >
        {children}
      </button>
    </li>
  );
}

function MarkText({
  editor,
  mark,
  findings,
}: {
  readonly editor: Editor;
  readonly mark: Mark;
  readonly findings: Findings;
}) {
  const nameOf = (id: string): string => editor.motif(id)?.name ?? TEXTS.motif;
  const motifOf = (id: string): string => nameOf(editor.placement(id)?.motif ?? '');
  if (mark.kind === 'lane') return TEXTS.widthMmWideAngle(formatNumber(mark.width, 1), angleText(mark.angle));
  if (mark.kind === 'pair') {
    const [a, b] = mark.ids as [string, string];
    return TEXTS.motifAndMm(motifOf(a), a, b, motifOf(b), mark.isTouching === true, mark.short);
  }
  const clump = findings.clumps[Number(mark.key.split(' ')[1])];
  if (!clump) return mark.name;
  if (clump.by === 'motif') return `${clump.ids.length} × ${nameOf(clump.of)}`;
  const { design, colourway } = editor;
  const ink = design.inks.find(({ prints }) => prints.some((print) => print === clump.of));
  return (
    <>
      {TEXTS.countIn(clump.ids.length)}
      <span
        className="h-4 w-4 shrink-0 rounded-full border border-ink/25"
        style={{ background: (ink && colourway.colours[ink.id]) ?? clump.of }}
      />
      {ink?.name ?? clump.of}
    </>
  );
}

function angleText(angle: number): string {
  const rounded = Math.round(angle);
  return rounded === 0
    ? 'level'
    : Math.abs(rounded) === 90
      ? 'upright'
      : `${Math.abs(rounded)}° ${rounded > 0 ? 'falling' : 'rising'}`;
}

/** Evens out what was taken, without leaving for the toss. */
function SettleChosen() {
  const editor = useEditor();
  const { ids } = useStore(editor.selection);
  const settle = useSettle();
  return (
    <Button disabled={ids.length === 0} title={TEXTS.evensOutTheSpacingOf} onClick={() => settle(ids, false)}>
      <Sparkles size={15} aria-hidden /> {TEXTS.settleWhatIsChosen}
    </Button>
  );
}
