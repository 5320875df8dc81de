import { Spline } from 'lucide-react';
import { useEditor } from '../../../cloth/editorContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useNotifyProblem } from '../../../ui/Notices.tsx';
import { useStore } from '../../../ui/store.ts';
import type { OpenedPoints } from '../../../editor/openedPoints.ts';
import { OpenSelected } from './OpenSelected.tsx';
import { TEXTS } from './texts.ts';
import { useMotifMaker } from './useFinish.ts';

/** The points of a motif that lies on the cloth: which are selected, where they are, and what is done to them. */
export function PointsFields() {
  const { points } = useEditor();
  const opened = useStore(points.opened);
  return opened ? <Opened opened={opened} /> : <Opening />;
}

function Opening() {
  const { points, masking } = useEditor();
  const mask = useStore(masking.opened);
  return mask ? (
    <p className="text-sm">{TEXTS.finishHidingFirst(mask.name)}</p>
  ) : (
    <OpenSelected
      kind="points"
      note={TEXTS.selectForPoints}
      Icon={Spline}
      kept={points.kept}
      goOnText={TEXTS.goOnWithPoints}
      openText={TEXTS.openPoints}
      open={(at, of, artwork) => points.open(at, of, artwork)}
    />
  );
}

function Opened({ opened }: { readonly opened: OpenedPoints }) {
  const { points } = useEditor();
  const lines = useStore(points.lines);
  const selected = useStore(points.selected);
  const making = useStore(points.making);
  const maker = useMotifMaker();
  const notifyProblem = useNotifyProblem();
  const count = lines.reduce((sum, { knots }) => sum + knots.length, 0);
  const { middle } = points;
  const none = selected.size === 0;
  // Numbers are mm from the motif's own middle.
  const [a, b, c, d] = opened.frame;
  const toMm = Math.sqrt(Math.abs(a * d - b * c));
  const { view } = opened.artwork;
  const centre = { x: view.x + view.width / 2, y: view.y + view.height / 2 };
  const place = middle && { x: (middle.x - centre.x) * toMm, y: (middle.y - centre.y) * toMm };
  const moveTo = (axis: 'x' | 'y', mm: number): void => {
    if (!place) return;
    const by = (mm - place[axis]) / toMm;
    points.move(axis === 'x' ? { x: by, y: 0 } : { x: 0, y: by });
  };
  return (
    <>
      {opened.before && !opened.isMoved && <p className="text-xs text-graphite">{TEXTS.becomesPoints(opened.name)}</p>}
      <p role="status" className="text-sm" data-points={count}>
        {TEXTS.pointsSelected(selected.size, count)}
      </p>
      <div className="grid grid-cols-2 gap-2">
        {(['x', 'y'] as const).map((axis) => (
          <LengthField
            key={axis}
            label={axis === 'x' ? TEXTS.pointX : TEXTS.pointY}
            mm={place?.[axis] ?? 0}
            signed
            disabled={none}
            onChange={(mm) => moveTo(axis, mm)}
          />
        ))}
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => points.selectAll()}>{TEXTS.selectAll}</Button>
        <Button disabled={none} onClick={() => points.removeSelected()}>
          {TEXTS.removePoints}
        </Button>
        <Button disabled={none} onClick={() => points.smooth()}>
          {TEXTS.smooth}
        </Button>
        <Button disabled={none} onClick={() => points.sharpen()}>
          {TEXTS.sharpen}
        </Button>
        <Button disabled={selected.size !== 1} onClick={() => points.cut()}>
          {TEXTS.cut}
        </Button>
        <Button disabled={selected.size !== 2} onClick={() => points.join()}>
          {TEXTS.join}
        </Button>
        <Button disabled={none} onClick={() => points.evenOut()}>
          {TEXTS.evenOut}
        </Button>
        <Button disabled={none} onClick={() => points.reverse()}>
          {TEXTS.reverse}
        </Button>
      </div>
      <p className="text-xs text-graphite">{TEXTS.pointHints}</p>
      {opened.isMoved && (
        <Button disabled={making} onClick={() => void points.goBack(maker).catch(notifyProblem)}>
          {TEXTS.backToBefore}
        </Button>
      )}
    </>
  );
}
