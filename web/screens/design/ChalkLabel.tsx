import {
  BringToFront,
  ChevronDown,
  ChevronUp,
  CopyPlus,
  FlipVertical2,
  Package,
  PackageOpen,
  SendToBack,
  Trash2,
} from 'lucide-react';
import type { Placement } from '../../../core/document/index.ts';
import type { Box } from '../../../core/geometry/index.ts';
import type { Motif } from '../../../core/motif/index.ts';
import type { Viewport } from '../../cloth/viewport.ts';
import { Button } from '../../ui/Button.tsx';
import { Cell, useStore } from '../../ui/store.ts';
import { useEditor } from '../../editor/editor.ts';
import { BlendNumberField, OwnField, PositionField, SizeField } from './SelectionFields.tsx';
import { labelPlace } from './labelPlace.ts';
import { bundleOf, useBundles } from './useBundles.ts';

interface Props {
  readonly chosen: readonly { placement: Placement; motif: Motif }[];
  /** What is chosen, in CSS pixels of the cloth. */
  readonly box: Box;
  readonly viewport: Viewport;
}

const HEIGHT = 116;
const MORE_HEIGHT = 168;

/** Whether the second row of numbers is shown; stays as it is from motif to motif. */
const more = new Cell(false);

/** The small label beside what is chosen: its name, its numbers to be typed, the things most done to it. Never over the motif. */
export function ChalkLabel({ chosen, box, viewport }: Props) {
  const bench = useEditor();
  const bundles = useBundles();
  const open = useStore(more);
  const [first] = chosen;
  if (!first) return null;
  const headDown = chosen.length === 1 && Math.abs(first.placement.rotation) > 90;
  const name = chosen.length === 1 ? first.motif.name : `${chosen.length} motifs`;
  return (
    <div
      style={labelPlace(box, viewport, open ? MORE_HEIGHT : HEIGHT, headDown)}
      className="absolute rounded-md border border-thread bg-calico px-2 pt-1 pb-2 shadow-float"
      data-chalk-label
      data-own-press
    >
      <div className="flex items-center">
        <span className="min-w-0 grow truncate pl-1 font-name text-sm font-semibold">{name}</span>
        <Button look="quiet" label="Duplicate" onClick={() => bench.duplicate()}>
          <CopyPlus size={16} aria-hidden />
        </Button>
        <Button look="quiet" label="Mirror" onClick={() => bench.flip()}>
          <FlipVertical2 size={16} aria-hidden />
        </Button>
        <Button look="quiet" label="Bring to the front" onClick={() => bench.restack('front')}>
          <BringToFront size={16} aria-hidden />
        </Button>
        <Button look="quiet" label="Put at the back" onClick={() => bench.restack('back')}>
          <SendToBack size={16} aria-hidden />
        </Button>
        {chosen.length > 1 && (
          <Button look="quiet" label="Bundle" onClick={() => bundles.bundle()}>
            <Package size={16} aria-hidden />
          </Button>
        )}
        {chosen.length === 1 && bundleOf(bench, first.placement) && (
          <Button look="quiet" label="Open the bundle" onClick={() => bundles.open()}>
            <PackageOpen size={16} aria-hidden />
          </Button>
        )}
        <Button look="quiet" label="Delete" onClick={() => bench.remove()}>
          <Trash2 size={16} aria-hidden />
        </Button>
      </div>
      <div className="mt-1 grid grid-cols-[repeat(4,minmax(0,1fr))_20px] items-end gap-1">
        <PositionField axis="x" label="Across" />
        <PositionField axis="y" label="Down" />
        <SizeField side="width" keep label="Wide" />
        <OwnField kind="rotation" label="Turned" />
        <button
          type="button"
          aria-expanded={open}
          aria-label="More numbers"
          title="More numbers"
          onClick={() => more.set(!open)}
          className="grid h-8 place-items-center rounded-sm hover:bg-linen"
        >
          {open ? <ChevronUp size={15} aria-hidden /> : <ChevronDown size={15} aria-hidden />}
        </button>
      </div>
      {open && (
        <div className="mt-1 grid grid-cols-[repeat(4,minmax(0,1fr))_20px] gap-1">
          <OwnField kind="size" label="Scale" />
          <OwnField kind="skew" label="Slanted" />
          <OwnField kind="opacity" label="Opaque" />
          <BlendNumberField label="Blending" />
        </div>
      )}
    </div>
  );
}
