import { FlipHorizontal2, FlipVertical2, Link2, Link2Off } from 'lucide-react';
import { useState } from 'react';
import { type FramePoint, MIDDLE } from '../../../../core/arrange/index.ts';
import { NINE } from '../../../cloth/gestures/pinGesture.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../editor/editor.ts';
import { BlendNumberField, OwnField, PositionField, SizeField } from '../SelectionFields.tsx';

/** Exact numbers for what is chosen, one motif or several. */
export function Numbers() {
  const bench = useEditor();
  const point = useStore(bench.anchor);
  const { ids } = useStore(bench.selection);
  const [keep, setKeep] = useState(true);
  const what = isSame(point, MIDDLE) ? 'Centre' : 'Point';
  return (
    <section aria-label="Numbers" className="grid gap-2">
      <div className="grid grid-cols-[52px_minmax(0,1fr)_minmax(0,1fr)] items-end gap-2">
        <NinePoints />
        <PositionField axis="x" label={`${what} across`} />
        <PositionField axis="y" label={`${what} down`} />
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)_32px_minmax(0,1fr)] items-end gap-2">
        <SizeField side="width" keep={keep} label="Width" />
        <Button
          look="quiet"
          label={keep ? 'Proportions are kept' : 'Proportions are not kept'}
          pressed={keep}
          onClick={() => setKeep(!keep)}
        >
          {keep ? <Link2 size={15} aria-hidden /> : <Link2Off size={15} aria-hidden />}
        </Button>
        <SizeField side="height" keep={keep} label="Height" />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <OwnField kind="size" label="Size" />
        <OwnField kind="rotation" label="Turn" />
        <OwnField kind="skew" label="Slant" />
        <OwnField kind="opacity" label="Opacity" />
        <BlendNumberField label="Blend" />
        <div className="grid grid-cols-2 items-end gap-2">
          <Button label="Mirror across" className="w-full" onClick={() => bench.flip()}>
            <FlipVertical2 size={16} aria-hidden />
          </Button>
          <Button label="Mirror down" className="w-full" onClick={() => bench.flip(true)}>
            <FlipHorizontal2 size={16} aria-hidden />
          </Button>
        </div>
      </div>
      {ids.length > 1 && (
        <p className="text-xs text-graphite">
          Place, width and height are of all together; the rest is each motif’s own. A sum such as +10 adds to each.
        </p>
      )}
    </section>
  );
}

/** Which point of what is chosen the numbers go by: nine of them, or any that the pin was dragged to. */
function NinePoints() {
  const bench = useEditor();
  const point = useStore(bench.anchor);
  return (
    <div
      role="group"
      aria-label="The numbers go by"
      className="grid h-13 w-13 grid-cols-3 rounded-md border border-thread bg-white p-0.5"
    >
      {NINE.map((share) => (
        <button
          key={`${share.u} ${share.v}`}
          type="button"
          aria-label={nameOf(share)}
          title={nameOf(share)}
          aria-pressed={isSame(share, point)}
          onClick={() => bench.anchor.set(share)}
          className="grid place-items-center rounded-sm hover:bg-linen"
        >
          <span
            className={`h-2 w-2 rounded-full border ${isSame(share, point) ? 'border-ink bg-ink' : 'border-graphite bg-white'}`}
          />
        </button>
      ))}
    </div>
  );
}

function isSame(a: FramePoint, b: FramePoint): boolean {
  return a.u === b.u && a.v === b.v;
}

function nameOf({ u, v }: FramePoint): string {
  const across = u === 0 ? 'left' : u === 1 ? 'right' : '';
  const down = v === 0 ? 'upper' : v === 1 ? 'lower' : '';
  if (across && down) return `By the ${down} ${across} corner`;
  return across || down ? `By the middle of the ${down || across} side` : 'By the centre';
}
