import { MIDDLE, poseAbout, sizeOf, stretchBy } from '../../../core/arrange/index.ts';
import type { Placement, PlacementChange } from '../../../core/document/index.ts';
import { LARGEST_SCALE, LARGEST_SKEW, normaliseAngle, SMALLEST_SCALE } from '../../../core/geometry/index.ts';
import { BlendField } from '../../ui/BlendField.tsx';
import { EachField } from '../../ui/EachField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { useStore } from '../../ui/store.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Editor } from '../../editor/editor.ts';
import { TEXTS } from './texts.ts';

interface Named {
  readonly label: string;
  readonly hideLabel?: boolean;
}

/** Makes whoever shows a number of what is chosen follow all that it depends on. */
function useChosen(): Editor {
  const editor = useEditor();
  useStore(editor.session);
  useStore(editor.selection);
  useStore(editor.motifs);
  useStore(editor.anchor);
  return editor;
}

/** Where the point of what is chosen lies, seen from the cell that holds its middle. */
export function PositionField({ axis, ...named }: Named & { readonly axis: 'x' | 'y' }) {
  const editor = useChosen();
  const mm = editor.shownPlace?.[axis];
  if (mm === undefined) return null;
  return (
    <LengthField
      {...named}
      mm={mm}
      signed
      onChange={(next) =>
        editor.move(editor.startDrag(), axis === 'x' ? { x: next - mm, y: 0 } : { x: 0, y: next - mm }, TEXTS.moved)
      }
    />
  );
}

/** The width or height of what is chosen along its own sides; the other goes along where proportions are kept. */
export function SizeField({
  side,
  keep,
  ...named
}: Named & { readonly side: 'width' | 'height'; readonly keep: boolean }) {
  const editor = useChosen();
  const { frame, pivot } = editor;
  if (!frame || !pivot) return null;
  const mm = sizeOf(frame)[side];
  const change = (next: number): void => {
    const factor = next / mm;
    if (keep) editor.transformBy(TEXTS.scaled, poseAbout(pivot, { scale: factor }));
    else
      editor.transformBy(
        TEXTS.stretched,
        stretchBy(frame, side === 'width' ? factor : 1, side === 'height' ? factor : 1, editor.anchor.getState()),
      );
  };
  return <LengthField {...named} mm={mm} min={mm * 1e-3} max={mm * 1e3} onChange={change} />;
}

/** A number that each of the chosen has of its own. */
interface OwnValue {
  readonly sign: '°' | '%';
  readonly said: string;
  readonly min?: number;
  readonly max?: number;
  readonly read: (placement: Placement) => number;
  readonly write: (value: number) => PlacementChange;
}

const OWN: Readonly<Record<'size' | 'rotation' | 'skew' | 'opacity', OwnValue>> = {
  size: {
    sign: '%',
    said: TEXTS.scaled,
    min: SMALLEST_SCALE * 100,
    max: LARGEST_SCALE * 100,
    read: ({ scale }) => scale * 100,
    write: (percent) => ({ scale: percent / 100 }),
  },
  rotation: {
    sign: '°',
    said: TEXTS.rotated,
    read: ({ rotation }) => rotation,
    write: (turn) => ({ rotation: normaliseAngle(turn) }),
  },
  skew: {
    sign: '°',
    said: TEXTS.skewed,
    min: -LARGEST_SKEW,
    max: LARGEST_SKEW,
    read: ({ skew }) => skew,
    write: (skew) => ({ skew }),
  },
  opacity: {
    sign: '%',
    said: TEXTS.changedTheOpacity,
    min: 0,
    max: 100,
    read: ({ opacity }) => opacity * 100,
    write: (percent) => ({ opacity: percent / 100 }),
  },
};

/** Of one motif about its point, of several each about its own centre. */
export function OwnField({ kind, ...named }: Named & { readonly kind: keyof typeof OWN }) {
  const editor = useChosen();
  const { selectedPlacements, pivot } = editor;
  const { sign, said, min, max, read, write } = OWN[kind];
  const [only] = selectedPlacements;
  if (!only || !pivot) return null;
  const change = (values: readonly number[]): void => {
    const next = values[0] ?? 0;
    const aboutPoint = selectedPlacements.length === 1 && editor.anchor.getState() !== MIDDLE;
    if (aboutPoint && kind === 'rotation') editor.rotate(next - only.rotation);
    else if (aboutPoint && kind === 'size') editor.scaleBy(next / 100 / only.scale);
    else editor.change(said, (_one, n) => write(values[n] ?? next));
  };
  return (
    <EachField
      {...named}
      sign={sign}
      values={selectedPlacements.map(read)}
      {...(min !== undefined && { min })}
      {...(max !== undefined && { max })}
      onChange={change}
    />
  );
}

export function BlendNumberField(named: Named) {
  const editor = useChosen();
  const { selectedPlacements } = editor;
  const [first] = selectedPlacements;
  if (!first) return null;
  const alike = selectedPlacements.every(({ blend }) => blend === first.blend);
  return (
    <BlendField
      {...named}
      value={alike ? first.blend : undefined}
      onChange={(blend) => editor.change(TEXTS.changedTheBlending, () => ({ blend }))}
    />
  );
}
