import {
  BringToFront,
  ChevronDown,
  ChevronUp,
  CopyPlus,
  FlipVertical2,
  LoaderCircle,
  Package,
  PackageOpen,
  SendToBack,
  Trash2,
} from 'lucide-react';
import type { SelectionLabelProps } from '../../cloth/ClothOverlay.tsx';
import { Button } from '../../ui/Button.tsx';
import { Cell, useStore } from '../../ui/store.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import { BlendNumberField, OwnField, PositionField, SizeField } from './SelectionFields.tsx';
import { ChangeMenu } from './ChangeMenu.tsx';
import { labelPlace } from './labelPlace.ts';
import { bundleOf, useBundles } from './useBundles.ts';
import { TEXTS } from './texts.ts';

const HEIGHT = 42;
const MORE_HEIGHT = 150;

/** Whether the numbers are shown; stays as it is from motif to motif. */
const more = new Cell(false);

/** The small label beside the selection: its name and what is most done to it, one line high; it opens into numbers when asked. Never over the motif. */
export function ChalkLabel({ chosen, box, viewport }: SelectionLabelProps) {
  const editor = useEditor();
  const bundles = useBundles();
  const open = useStore(more);
  const busy = useStore(editor.bundling.underWay);
  const [first] = chosen;
  if (!first) return null;
  const motif = chosen.length === 1 ? editor.motif(first.placement.motif) : undefined;
  const headDown = chosen.length === 1 && Math.abs(first.placement.rotation) > 90;
  const name = chosen.length === 1 ? first.motif.name : TEXTS.countMotifs(chosen.length);
  return (
    <div
      style={labelPlace(box, viewport, open ? MORE_HEIGHT : HEIGHT, headDown)}
      className="absolute rounded-md border border-thread bg-calico px-2 py-1 shadow-float"
      data-chalk-label
      data-own-press
    >
      <div className="flex items-center">
        {chosen.some(({ placement }) => busy.has(placement.id)) ? (
          <span role="status" className="flex min-w-0 grow items-center gap-1.5 truncate pl-1 text-sm text-graphite">
            <LoaderCircle size={14} aria-hidden className="shrink-0 animate-spin" /> {TEXTS.bundlingThem}
          </span>
        ) : (
          <span className="min-w-0 grow truncate pl-1 font-name text-sm font-semibold">{name}</span>
        )}
        {motif && !editor.inside && <ChangeMenu placement={first.placement} motif={motif} />}
        <Button look="quiet" label={TEXTS.duplicate} onClick={() => editor.duplicate()}>
          <CopyPlus size={16} aria-hidden />
        </Button>
        <Button look="quiet" label={TEXTS.mirror} onClick={() => editor.flip()}>
          <FlipVertical2 size={16} aria-hidden />
        </Button>
        <Button look="quiet" label={TEXTS.toFront} onClick={() => editor.restack('front')}>
          <BringToFront size={16} aria-hidden />
        </Button>
        <Button look="quiet" label={TEXTS.toBack} onClick={() => editor.restack('back')}>
          <SendToBack size={16} aria-hidden />
        </Button>
        {chosen.length > 1 && (
          <Button look="quiet" label={TEXTS.bundle} onClick={() => bundles.bundle()}>
            <Package size={16} aria-hidden />
          </Button>
        )}
        {chosen.length === 1 && bundleOf(editor, first.placement) && (
          <Button look="quiet" label={TEXTS.openTheBundle} onClick={() => bundles.open()}>
            <PackageOpen size={16} aria-hidden />
          </Button>
        )}
        <Button look="quiet" label={TEXTS.deleteIt} onClick={() => editor.remove()}>
          <Trash2 size={16} aria-hidden />
        </Button>
        <button
          type="button"
          aria-expanded={open}
          aria-label={TEXTS.numbers}
          title={TEXTS.numbers}
          onClick={() => more.set(!open)}
          className="grid h-8 w-7 place-items-center rounded-sm hover:bg-linen"
        >
          {open ? <ChevronUp size={15} aria-hidden /> : <ChevronDown size={15} aria-hidden />}
        </button>
      </div>
      {open && (
        <div className="mt-1 grid grid-cols-4 gap-1">
          <PositionField axis="x" label="X" />
          <PositionField axis="y" label="Y" />
          <SizeField side="width" keep label={TEXTS.width} />
          <OwnField kind="rotation" label={TEXTS.rotation} />
          <OwnField kind="size" label={TEXTS.scale} />
          <OwnField kind="skew" label={TEXTS.skew} />
          <OwnField kind="opacity" label={TEXTS.opacity} />
          <BlendNumberField label={TEXTS.blend} />
        </div>
      )}
    </div>
  );
}
