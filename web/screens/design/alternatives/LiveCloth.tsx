import { Session } from '../../../editor/session.ts';
import { use, useEffect, useMemo, useRef } from 'react';
import type { Design } from '../../../../core/document/index.ts';
import type { Point } from '../../../../core/geometry/index.ts';
import { ClothContext } from '../../../cloth/clothContext.ts';
import { ClothView } from '../../../cloth/clothView.ts';
import { middle, toMm, viewportWith } from '../../../cloth/viewport.ts';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';

/** Where cloths are looked at together: what lies in the middle of each, and the scale. */
export interface Look {
  readonly at: Point;
  /** CSS pixels per mm. */
  readonly scale: number;
}

/** The endless cloth of a design, only to be looked at. */
export function LiveCloth({
  design,
  colourway,
  look,
  onLook,
}: {
  readonly design: Design;
  /** The one that is worked in where missing. */
  readonly colourway?: string | undefined;
  readonly look: Look;
  readonly onLook: (look: Look) => void;
}) {
  const editor = useEditor();
  const motifs = useStore(editor.motifs);
  const current = useStore(editor.colourwayId);
  const shown = colourway ?? current;
  const area = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const session = useMemo(() => new Session(design), [design]);
  const view = useRef<ClothView>(undefined);
  const cloth = use(ClothContext);
  const shownNow = useRef(shown);
  useEffect(() => {
    shownNow.current = shown;
  }, [shown]);
  useEffect(() => {
    const place = area.current;
    if (!place || !canvas.current) return;
    const frame = () => ({ width: place.clientWidth, height: place.clientHeight, density: window.devicePixelRatio });
    const made = new ClothView(canvas.current, session, frame());
    view.current = made;
    made.setMotifs(editor.motifs.getState());
    made.showColourway(shownNow.current);
    if (cloth) made.showAsPaintedBy(cloth.view);
    const observer = new ResizeObserver(() => made.resize(frame().width, frame().height, frame().density));
    observer.observe(place);
    return () => {
      observer.disconnect();
      made.close();
      view.current = undefined;
    };
  }, [session, editor, cloth]);
  useEffect(() => view.current?.setMotifs(motifs), [motifs, session]);
  useEffect(() => view.current?.showColourway(shown), [shown, session]);
  useEffect(() => {
    const now = view.current?.getViewport();
    if (now) view.current?.look(viewportWith(now, session.state.design.repeat, look.scale, look.at, middle(now)));
  }, [look, session]);

  // Not passive, since the page itself must not zoom or scroll.
  const wheeling = useRef<(event: WheelEvent) => void>(() => undefined);
  useEffect(() => {
    wheeling.current = (event) => {
      event.preventDefault();
      const now = view.current?.getViewport();
      const box = area.current?.getBoundingClientRect();
      if (!now || !box) return;
      const at = toMm(now, { x: event.clientX - box.left, y: event.clientY - box.top });
      const factor = Math.exp(-event.deltaY * 0.0016);
      // What lies under the pointer stays under it.
      onLook({
        scale: look.scale * factor,
        at: { x: at.x + (look.at.x - at.x) / factor, y: at.y + (look.at.y - at.y) / factor },
      });
    };
  }, [look, onLook]);
  useEffect(() => {
    const place = area.current;
    const listen = (event: WheelEvent): void => wheeling.current(event);
    place?.addEventListener('wheel', listen, { passive: false });
    return () => place?.removeEventListener('wheel', listen);
  }, []);

  return (
    <div
      ref={area}
      className="bare-ground absolute inset-0 cursor-grab touch-none"
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={(event) => {
        if (event.buttons & 1)
          onLook({
            ...look,
            at: { x: look.at.x - event.movementX / look.scale, y: look.at.y - event.movementY / look.scale },
          });
      }}
    >
      <canvas ref={canvas} className="absolute inset-0 h-full w-full" />
    </div>
  );
}
