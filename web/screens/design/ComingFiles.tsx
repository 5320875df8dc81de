import type { ClothParts } from '../../cloth/clothParts.ts';
import { toCss } from '../../cloth/viewport.ts';
import { useStore } from '../../ui/store.ts';
import { TEXTS } from './texts.ts';
import type { ComingToCloth } from './useFilesOnCloth.ts';

interface Props {
  readonly cloth: ClothParts;
  readonly coming: readonly ComingToCloth[];
}

/** Files on their way onto the cloth, where their motifs will lie. */
export function ComingFiles({ cloth: { view }, coming }: Props) {
  const viewport = useStore({ subscribe: view.subscribe, getState: view.getViewport });
  return (
    <div className="pointer-events-none relative z-10 col-start-2 row-start-2 overflow-hidden">
      {coming.map(({ arrival: { id, name, progress, state }, at }) => {
        const { x, y } = toCss(viewport, at);
        return (
          <div
            key={id}
            data-coming
            className="absolute grid w-32 -translate-x-1/2 -translate-y-1/2 gap-1 rounded-md border border-thread bg-calico/95 p-2 text-xs shadow-float"
            style={{ left: x, top: y }}
          >
            <span className="truncate">{name}</span>
            <progress
              aria-label={TEXTS.importingName(name)}
              value={state === 'coming' && progress < 1 ? progress : undefined}
              className="h-1 w-full"
            />
          </div>
        );
      })}
    </div>
  );
}
