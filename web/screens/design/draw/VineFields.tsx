import { useStore } from '../../../ui/store.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Tick } from '../../../ui/Tick.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { VineKnot, VineRecipe } from '../../../../core/recipe/index.ts';
import { invert, transform } from '../../../../core/geometry/index.ts';
import { latticeTranslate } from '../../../../core/lattice/index.ts';
import { refittedVine, VineCurve, withKnotAt } from '../../../../core/vine/index.ts';
import { CrossingList } from './CrossingList.tsx';
import { BranchList } from './BranchList.tsx';
import { DesignInkField, InkFields } from './InkFields.tsx';
import { LeafList } from './LeafList.tsx';
import { TEXTS } from './texts.ts';

/** The vine that is being made: where it leads, how wide it is, what grows on it. */
export function VineFields() {
  const { drawing } = useEditor();
  const brush = useStore(drawing.brush);
  const { vine } = useStore(drawing.drawn);
  if (vine) return <Vine vine={vine} />;
  return (
    <>
      <p className="text-sm">{TEXTS.drawAVine}</p>
      <InkFields ink={brush.ink} opacity={brush.opacity} onChange={(part) => drawing.changeBrush(part)}>
        <LengthField
          label={TEXTS.width}
          mm={brush.width}
          min={0.05}
          max={200}
          onChange={(width) => drawing.changeBrush({ width })}
        />
      </InkFields>
      <Button onClick={() => drawing.vines.beginStraight()}>{TEXTS.beginStraight}</Button>
    </>
  );
}

function Vine({ vine }: { readonly vine: VineRecipe }) {
  const editor = useEditor();
  const { drawing } = editor;
  const chosen = useStore(drawing.vines.knot);
  useStore(editor.session);
  const { frame, continued } = useStore(drawing.drawn);
  const knot = chosen === undefined ? undefined : vine.knots[chosen];
  const missed = drawing.vines.missedPeriod;
  const set = (part: Partial<VineRecipe>): void => drawing.setVine({ ...vine, ...part });
  const setKnots = (change: (knot: VineKnot, n: number) => VineKnot): void => set({ knots: vine.knots.map(change) });
  const lead = (index: VineRecipe['index']): void => {
    const back = invert(frame);
    if ((index.i === 0 && index.j === 0) || !back) return;
    const [a, b, c, d] = back;
    const period = transform([a, b, c, d, 0, 0], latticeTranslate(editor.lattice, index));
    drawing.setVine(refittedVine({ ...vine, index }, period));
  };
  const addKnot = (): void => {
    const curve = new VineCurve(vine);
    const ends = [...curve.knots, curve.span];
    const longest = curve.knots
      .map((at, n) => ({ at, step: (ends[n + 1] as number) - at }))
      .reduce((most, each) => (each.step > most.step ? each : most));
    drawing.setVine(withKnotAt(vine, curve.lengthAt(longest.at + longest.step / 2)));
  };
  return (
    <>
      {missed && (
        <div role="alert" className="grid gap-2 rounded-md border border-weld bg-white p-2 text-sm">
          {TEXTS.theVineMisses}
          <Button onClick={() => drawing.setVine(refittedVine(vine, missed))}>{TEXTS.fitTheVine}</Button>
        </div>
      )}
      <InkFields ink={vine.ink} opacity={vine.opacity} onChange={set}>
        <LengthField
          label={TEXTS.widthEverywhere}
          mm={Math.max(...vine.knots.map(({ width }) => width))}
          min={0.05}
          max={200}
          onChange={(width) => setKnots((one) => ({ ...one, width }))}
        />
      </InkFields>
      <Tick
        label={TEXTS.fadeAlong}
        on={vine.fadesTo !== undefined}
        onChange={(on) => set({ fadesTo: on ? vine.ink : undefined })}
      />
      {vine.fadesTo !== undefined && (
        <DesignInkField label={TEXTS.fadesTo} ink={vine.fadesTo} onChange={(fadesTo) => set({ fadesTo })} />
      )}
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label={TEXTS.widthAtThePoint}
          mm={knot?.width ?? 0}
          min={0.05}
          max={200}
          disabled={!knot}
          onChange={(width) => setKnots((one, n) => (n === chosen ? { ...one, width } : one))}
        />
        <Button
          className="mt-[18px]"
          onClick={() => setKnots((one, n) => ({ ...one, width: one.width * (n % 2 === 0 ? 1 : SWELL) }))}
          disabled={vine.knots.length < 2}
        >
          {TEXTS.swell}
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={addKnot}>{TEXTS.addAPoint}</Button>
        <Button disabled={!knot || vine.knots.length < 2} onClick={() => drawing.vines.removeSelected()}>
          {TEXTS.removeThePoint}
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-2">
        {(['i', 'j'] as const).map((axis) => (
          <AmountField
            key={axis}
            label={axis === 'i' ? TEXTS.columnsOn : TEXTS.rowsOn}
            value={vine.index[axis]}
            min={-6}
            max={6}
            onChange={(to) => lead({ ...vine.index, [axis]: Math.round(to) })}
          />
        ))}
      </div>
      <Fold name={TEXTS.branches} note={String(vine.branches.length)}>
        <BranchList branches={vine.branches} onChange={(branches) => set({ branches })} />
      </Fold>
      <Fold name={TEXTS.leaves} note={String(vine.leaves.length)}>
        <LeafList leaves={vine.leaves} onChange={(leaves) => set({ leaves })} />
      </Fold>
      <div className="grid grid-cols-2 gap-2">
        <Button disabled={!continued} onClick={() => drawing.vines.layAgain('mirrored')}>
          {TEXTS.layMirrored}
        </Button>
        <Button disabled={!continued} onClick={() => drawing.vines.layAgain('dropped')}>
          {TEXTS.layDropped}
        </Button>
      </div>
      {!continued && <p className="text-xs text-graphite">{TEXTS.finishForFrames}</p>}
      <CrossingList vine={vine} />
    </>
  );
}

/** Every other point becomes so much wider. */
const SWELL = 1.6;
