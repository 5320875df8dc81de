import { BringToFront, CopyPlus, FlipVertical2, Package, PackageOpen, SendToBack, Trash2 } from 'lucide-react';
import type { Placement } from '../../core/document/placement.ts';
import type { Box } from '../../core/geometry/box.ts';
import type { Motif } from '../../core/motif/motif.ts';
import { formatLength, formatNumber } from '../../core/units/length.ts';
import type { Viewport } from '../cloth/viewport.ts';
import { Button } from '../shared/Button.tsx';
import { useUnit } from '../shared/unit.ts';
import { useBench } from './bench.ts';
import { bundleOf, useBundles } from './useBundles.ts';

interface Props {
  readonly chosen: readonly { placement: Placement; motif: Motif }[];
  /** What is chosen, in CSS pixels of the cloth. */
  readonly box: Box;
  readonly viewport: Viewport;
}

const WIDTH = 236;
const HEIGHT = 66;
const GAP = 14;
/** The turning pin stands above a motif. */
const ABOVE = 44;

/** The small label beside what is chosen: its name, its numbers, the things most done to it. Never over the motif. */
export function ChalkLabel({ chosen, box, viewport }: Props) {
  const bench = useBench();
  const bundles = useBundles();
  const [unit] = useUnit();
  const [first] = chosen;
  if (!first) return null;
  const { placement, motif } = first;
  const name = chosen.length === 1 ? motif.name : `${chosen.length} motifs`;
  const numbers =
    chosen.length === 1
      ? `${formatLength(motif.width * placement.scale, unit)} wide, ${formatNumber(placement.turn, 1)}°`
      : 'chosen together';
  return (
    <div
      style={placed(box, viewport)}
      className="absolute rounded-md border border-thread bg-calico px-2 pt-1.5 pb-1 shadow-float"
      data-chalk-label
      onPointerDown={(event) => event.stopPropagation()}
    >
      <p className="flex items-baseline gap-2 px-1">
        <span className="truncate font-name text-sm font-semibold">{name}</span>
        <span className="ml-auto shrink-0 text-xs text-graphite">{numbers}</span>
      </p>
      <div className="mt-0.5 flex justify-between">
        <Button look="quiet" label="Duplicate" onClick={() => bench.duplicate()}>
          <CopyPlus size={16} aria-hidden />
        </Button>
        <Button look="quiet" label="Mirror" onClick={() => bench.mirror()}>
          <FlipVertical2 size={16} aria-hidden />
        </Button>
        <Button look="quiet" label="To the front" onClick={() => bench.restack('front')}>
          <BringToFront size={16} aria-hidden />
        </Button>
        <Button look="quiet" label="To the back" onClick={() => bench.restack('back')}>
          <SendToBack size={16} aria-hidden />
        </Button>
        {chosen.length > 1 && (
          <Button look="quiet" label="Bundle" onClick={() => bundles.bundle()}>
            <Package size={16} aria-hidden />
          </Button>
        )}
        {chosen.length === 1 && bundleOf(bench, placement) && (
          <Button look="quiet" label="Open the bundle" onClick={() => bundles.open()}>
            <PackageOpen size={16} aria-hidden />
          </Button>
        )}
        <Button look="quiet" label="Delete" onClick={() => bench.remove()}>
          <Trash2 size={16} aria-hidden />
        </Button>
      </div>
    </div>
  );
}

/** Above what is chosen where there is room, else below, else beside it; a corner of the window where it fills that. */
function placed(box: Box, { width, height }: Viewport): { left: number; top: number; width: number } {
  const clampX = (x: number): number => Math.min(width - WIDTH - 8, Math.max(8, x));
  const clampY = (y: number): number => Math.min(height - HEIGHT - 8, Math.max(8, y));
  const centred = clampX((box.left + box.right - WIDTH) / 2);
  if (box.top - ABOVE - HEIGHT >= 8) return { left: centred, top: box.top - ABOVE - HEIGHT, width: WIDTH };
  if (box.bottom + GAP + HEIGHT <= height - 8) return { left: centred, top: box.bottom + GAP, width: WIDTH };
  const middle = clampY((box.top + box.bottom - HEIGHT) / 2);
  if (box.right + GAP + WIDTH <= width - 8) return { left: box.right + GAP, top: middle, width: WIDTH };
  if (box.left - GAP - WIDTH >= 8) return { left: box.left - GAP - WIDTH, top: middle, width: WIDTH };
  return { left: 8, top: 8, width: WIDTH };
}
