import { Minus, Plus } from 'lucide-react';
import type { ClothParts } from '../../cloth/clothParts.ts';
import { middle, toMm } from '../../cloth/viewport.ts';
import { ActualSize } from '../../ui/ActualSize.tsx';
import { Button } from '../../ui/Button.tsx';
import { useScreenScale } from '../../ui/screenScale.ts';
import type { ShortcutContext } from './shortcuts.ts';
import { useStore } from '../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** How much of the cloth is seen. */
export function ScaleBar({
  cloth: { view },
  context,
  onEdges,
}: {
  readonly cloth: ClothParts;
  readonly context: ShortcutContext;
  /** Begins to go from join to join; undefined where there are none, as in a bundle. */
  readonly onEdges: (() => void) | undefined;
}) {
  const viewport = useStore({ subscribe: view.subscribe, getState: view.getViewport });
  const { pxPerMm } = useScreenScale();
  const percent = Math.round((100 * viewport.scale) / pxPerMm);
  const showMetre = (): void => {
    const at = toMm(viewport, middle(viewport));
    view.show({ left: at.x - 500, right: at.x + 500, top: at.y - 1, bottom: at.y + 1 }, 0);
  };
  return (
    <div
      role="group"
      aria-label={TEXTS.scale}
      className="grid shrink-0 content-center gap-1.5 border-l border-thread px-3 py-2"
    >
      <div className="flex items-center gap-1">
        <Button look="quiet" label={TEXTS.zoomOut} onClick={() => context.zoom(1 / 1.25)}>
          <Minus size={16} aria-hidden />
        </Button>
        <output
          className="w-14 text-center text-sm"
          title={TEXTS.ofActualSize}
          data-scale={viewport.plan.scaleX / viewport.density}
        >
          {percent} %
        </output>
        <Button look="quiet" label={TEXTS.zoomIn} onClick={() => context.zoom(1.25)}>
          <Plus size={16} aria-hidden />
        </Button>
        <ActualSize onShow={() => context.showActual()} />
        {onEdges && (
          <Button look="quiet" className="px-2!" title={TEXTS.goesAroundTheJoins} onClick={onEdges}>
            {TEXTS.edges}
          </Button>
        )}
        <Button look="quiet" className="px-2!" title={TEXTS.blurredAndFromFartherAway} onClick={() => context.squint()}>
          {TEXTS.squint}
        </Button>
      </div>
      <div className="-mx-2 flex justify-between">
        <Button look="quiet" className="px-2!" onClick={() => context.showRepeats(1)}>
          {TEXTS.oneRepeat}
        </Button>
        <Button look="quiet" className="px-2!" onClick={() => context.showRepeats(4)}>
          {TEXTS.four}
        </Button>
        <Button look="quiet" className="px-2!" onClick={() => context.showRepeats(16)}>
          {TEXTS.sixteen}
        </Button>
        <Button look="quiet" className="px-2!" onClick={showMetre}>
          {TEXTS.aMetre}
        </Button>
      </div>
    </div>
  );
}
