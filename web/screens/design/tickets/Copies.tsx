import { CopyPlus } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useContext, useEffect, useMemo, useState } from 'react';
import {
  type CopyPlan,
  insertCopies,
  makeCopies,
  middleOf,
  MOST_COPIES,
  NO_VARIATION,
  spreadOver,
} from '../../../../core/arrange/index.ts';
import type { Point } from '../../../../core/geometry/index.ts';
import { ClothContext } from '../../../cloth/clothContext.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { Cell, useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Copies of what is chosen: along a line, straight or drawn, around a centre, in a grid. They lie on the cloth while their numbers are tried. */
export function Copies() {
  const editor = useEditor();
  const { ids } = useStore(editor.selection);
  const [open, setOpen] = useState(false);
  if (!open) {
    return (
      <>
        <div className="grid grid-cols-2 gap-2">
          <Button onClick={() => editor.duplicate()}>{TEXTS.copyBeside}</Button>
          <Button onClick={() => editor.duplicate(true)}>{TEXTS.copyInPlace}</Button>
        </div>
        <Button onClick={() => setOpen(true)}>
          <CopyPlus size={15} aria-hidden /> {TEXTS.severalCopies}
        </Button>
      </>
    );
  }
  return <OpenCopies key={ids.join(' ')} onDone={() => setOpen(false)} />;
}

/** Stands for the cloth's own until there is one. */
const NOTHING_DRAWN = new Cell<((line: readonly Point[]) => void) | undefined>(undefined);

/** A line to begin with: one gentle wave, mm. */
function waveOf(wide: number): Point[] {
  return Array.from({ length: 65 }, (_, n) => ({
    x: (n / 64) * wide * 5,
    y: -Math.sin((n / 32) * Math.PI) * wide * 0.7,
  }));
}

function OpenCopies({ onDone }: { readonly onDone: () => void }) {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const { ids } = useStore(editor.selection);
  const originals = useMemo(() => committed.placements.filter(({ id }) => ids.includes(id)), [committed, ids]);
  const [start] = useState(() => {
    const motifs = new Map(editor.motifs.getState().map((motif) => [motif.id, motif]));
    const middle = middleOf(originals, motifs);
    const [first] = originals;
    const wide = first ? (motifs.get(first.motif)?.width ?? 30) * first.scale : 30;
    return { nonce: nanoid(6), middle, wide: Math.round(wide * 1.2 * 10) / 10 };
  });
  const [set, setPlan] = useState<CopyPlan>({ kind: 'line', count: 4, by: { x: start.wide, y: 0 } });
  const [isSpread, setSpread] = useState(false);
  const { repeat } = committed;
  const plan = useMemo(() => (isSpread ? spreadOver(repeat, set) : set), [isSpread, repeat, set]);
  const cloth = useContext(ClothContext);
  const drawing = useStore(cloth?.controller.drawing ?? NOTHING_DRAWN) !== undefined;
  const [variation, setVariation] = useState(NO_VARIATION);
  const { copies, command } = useMemo(() => {
    const made = makeCopies(originals, plan, variation, (n) => `${start.nonce}-${n}`).slice(0, MOST_COPIES);
    return { copies: made, command: insertCopies(committed, ids, made) };
  }, [originals, plan, variation, committed, ids, start.nonce]);

  useEffect(() => {
    editor.session.preview(command);
    return () => editor.session.preview(undefined);
  }, [editor, command]);

  const confirm = (): void => {
    if (!editor.commit(copies.length === 1 ? TEXTS.laidACopy : TEXTS.laidCountCopies(copies.length), command)) return;
    onDone();
    editor.select([...ids, ...copies.map(({ id }) => id)]);
  };
  const change = (kind: CopyPlan['kind']): void =>
    setPlan(
      kind === 'line'
        ? { kind, count: 4, by: { x: start.wide, y: 0 } }
        : kind === 'ring'
          ? {
              kind,
              count: 6,
              centre: { x: start.middle.x, y: start.middle.y + start.wide },
              sweep: 360,
              turning: true,
              flipped: false,
            }
          : kind === 'path'
            ? { kind, count: 6, path: waveOf(start.wide), turning: true }
            : { kind, columns: 3, rows: 3, by: { x: start.wide, y: start.wide } },
    );

  return (
    <section aria-label={TEXTS.severalCopiesText} className="grid gap-2 rounded-md border border-thread bg-white p-3">
      <Choice
        label={TEXTS.copies}
        value={plan.kind}
        onChange={change}
        options={[
          { value: 'line', name: TEXTS.inALine },
          { value: 'ring', name: TEXTS.around },
          { value: 'grid', name: TEXTS.grid },
          { value: 'path', name: TEXTS.drawn },
        ]}
      />
      {plan.kind === 'path' ? (
        <>
          <div className="grid grid-cols-2 items-end gap-2">
            <CountField count={plan.count} onChange={(count) => setPlan({ ...plan, count })} />
            <Button
              pressed={drawing}
              onClick={() => cloth?.controller.drawing.set(drawing ? undefined : (path) => setPlan({ ...plan, path }))}
            >
              {TEXTS.drawTheLine}
            </Button>
          </div>
          <p className="text-xs text-graphite">{drawing ? TEXTS.drawALineOnThe : TEXTS.copiesAreEvenlySpacedAlong}</p>
          <Tick label={TEXTS.rotateAlong} on={plan.turning} onChange={(turning) => setPlan({ ...plan, turning })} />
        </>
      ) : plan.kind === 'ring' ? (
        <>
          <div className="grid grid-cols-2 gap-2">
            <CountField count={plan.count} onChange={(count) => setPlan({ ...plan, count })} />
            <AmountField
              label={TEXTS.sweep}
              sign="°"
              value={plan.sweep}
              min={-360}
              max={360}
              onChange={(sweep) => setPlan({ ...plan, sweep })}
            />
            <PointFields
              labels={[TEXTS.centreX, TEXTS.centreY]}
              point={plan.centre}
              onChange={(centre) => setPlan({ ...plan, centre })}
            />
          </div>
          <Tick label={TEXTS.rotateAlong} on={plan.turning} onChange={(turning) => setPlan({ ...plan, turning })} />
          <Tick
            label={TEXTS.flipEveryOtherOne}
            on={plan.flipped}
            onChange={(flipped) => setPlan({ ...plan, flipped })}
          />
        </>
      ) : (
        <div className="grid grid-cols-2 gap-2">
          {plan.kind === 'line' ? (
            <CountField count={plan.count} onChange={(count) => setPlan({ ...plan, count })} />
          ) : (
            <>
              <AmountField
                label={TEXTS.columns}
                value={plan.columns}
                min={1}
                max={20}
                onChange={(n) => setPlan({ ...plan, columns: Math.round(n) })}
              />
              <AmountField
                label={TEXTS.rows}
                value={plan.rows}
                min={1}
                max={20}
                onChange={(n) => setPlan({ ...plan, rows: Math.round(n) })}
              />
            </>
          )}
          <PointFields
            labels={[TEXTS.eachXBy, TEXTS.eachYBy]}
            point={plan.by}
            onChange={(by) => {
              setSpread(false);
              setPlan({ ...plan, by });
            }}
          />
        </div>
      )}
      {plan.kind === 'grid' && <Tick label={TEXTS.spreadOverTheCell} on={isSpread} onChange={setSpread} />}
      <div className="grid grid-cols-3 gap-2">
        <AmountField
          label={TEXTS.scale}
          sign="%"
          value={variation.size * 100}
          min={0}
          max={90}
          step={5}
          onChange={(percent) => setVariation({ ...variation, size: percent / 100 })}
        />
        <AmountField
          label={TEXTS.rotation}
          sign="°"
          value={variation.rotation}
          min={0}
          max={180}
          step={5}
          onChange={(rotation) => setVariation({ ...variation, rotation })}
        />
        <AmountField
          label={TEXTS.seed}
          value={variation.seed}
          min={1}
          max={9999}
          onChange={(seed) => setVariation({ ...variation, seed: Math.round(seed) })}
        />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={onDone}>{TEXTS.cancel}</Button>
        <Button look="accent" disabled={copies.length === 0} onClick={confirm}>
          {TEXTS.apply}
        </Button>
      </div>
    </section>
  );
}

function CountField({ count, onChange }: { readonly count: number; readonly onChange: (count: number) => void }) {
  return <AmountField label={TEXTS.inAll} value={count} min={1} max={60} onChange={(n) => onChange(Math.round(n))} />;
}

interface PointFieldsProps {
  readonly labels: readonly [x: string, y: string];
  /** mm */
  readonly point: Point;
  readonly onChange: (point: Point) => void;
}

function PointFields({ labels: [xLabel, yLabel], point, onChange }: PointFieldsProps) {
  return (
    <>
      <LengthField label={xLabel} mm={point.x} signed onChange={(x) => onChange({ ...point, x })} />
      <LengthField label={yLabel} mm={point.y} signed onChange={(y) => onChange({ ...point, y })} />
    </>
  );
}
