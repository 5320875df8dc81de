import { type ComponentType, type DragEvent, useEffect, useRef, useState } from 'react';
import type { Point } from '../../core/geometry/index.ts';
import { useEditor } from './editorContext.ts';
import { useStore } from '../ui/store.ts';
import { PointerController } from './pointerController.ts';
import { ClothOverlay, type SelectionLabelProps } from './ClothOverlay.tsx';
import { DrawingLayer } from './DrawingLayer.tsx';
import type { ClothParts } from './clothParts.ts';
import { ClothView } from './clothView.ts';
import { toMm } from './viewport.ts';
import { VISION_FILTER, VisionFilter } from './VisionFilter.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly onReady: (parts: ClothParts | undefined) => void;
  /** What floats beside the selection. */
  readonly Label: ComponentType<SelectionLabelProps>;
  /** A motif was clicked twice. */
  readonly onOpen: (placement: string) => void;
  /** Files were dropped, at a point of the plane. */
  readonly onDrop: (files: DataTransfer, at: Point) => void;
}

/** The cloth: fills its place, shows the endless repeat, takes pointers. */
export function Cloth({ Label, onReady, onOpen, onDrop }: Props) {
  const editor = useEditor();
  const area = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [parts, setParts] = useState<ClothParts>();
  const vision = useStore(editor.vision);

  const drop = (event: DragEvent<HTMLDivElement>): void => {
    if (!parts || !event.dataTransfer.types.includes('Files')) return;
    event.preventDefault();
    const { left, top } = event.currentTarget.getBoundingClientRect();
    onDrop(event.dataTransfer, toMm(parts.view.getViewport(), { x: event.clientX - left, y: event.clientY - top }));
  };

  useEffect(() => {
    const place = area.current;
    if (!place || !canvas.current) return;
    const frame = () => ({ width: place.clientWidth, height: place.clientHeight, density: window.devicePixelRatio });
    const view = new ClothView(canvas.current, editor.session, frame(), editor.viewport);
    const controller = new PointerController(editor, view, place);
    const leaveViewport = view.subscribe(() => (editor.viewport = view.getViewport()));
    view.setMotifs(editor.motifs.getState());
    view.showColourway(editor.colourwayId.getState());
    const leaveColourway = editor.colourwayId.subscribe(() => view.showColourway(editor.colourwayId.getState()));
    const leaveMotifs = editor.motifs.subscribe(() => view.setMotifs(editor.motifs.getState()));
    const observer = new ResizeObserver(() => {
      const { width, height, density } = frame();
      view.resize(width, height, density);
    });
    observer.observe(place);

    const stop = new AbortController();
    const { signal } = stop;
    // Pins, labels and lists over the cloth take their own presses; React hears of those only after this listener.
    const isOwn = (event: Event): boolean => (event.target as Element).closest('[data-own-press]') !== null;
    place.addEventListener(
      'pointerdown',
      (event) => {
        if (isOwn(event)) return;
        place.focus({ preventScroll: true });
        controller.press(event);
      },
      { signal },
    );
    place.addEventListener('pointermove', (event) => controller.move(event), { signal });
    place.addEventListener('pointerleave', () => (controller.pointer = undefined), { signal });
    place.addEventListener('pointerup', (event) => controller.release(event), { signal });
    place.addEventListener('pointercancel', (event) => controller.lose(event), { signal });
    // A pointer that was lifted has let go already; one that is lost without that ends here.
    place.addEventListener('lostpointercapture', (event) => controller.loseCapture(event), { signal });
    place.addEventListener(
      'dblclick',
      (event) => {
        if (isOwn(event)) return;
        const id = controller.at(event);
        if (id !== undefined) onOpen(id);
      },
      { signal },
    );
    place.addEventListener(
      'contextmenu',
      (event) => {
        if (isOwn(event)) return;
        event.preventDefault();
        controller.openPile(event);
      },
      { signal },
    );
    // Not passive, since the page itself must not zoom or scroll.
    place.addEventListener('wheel', (event) => controller.wheel(event), { signal, passive: false });
    place.addEventListener('auxclick', (event) => event.preventDefault(), { signal });
    window.addEventListener(
      'keydown',
      (event) => {
        if (
          event.code !== 'Space' ||
          (event.target as HTMLElement).matches('input, textarea, button, a, [role]:not([data-cloth])')
        )
          return;
        event.preventDefault();
        controller.holdSpace(true);
      },
      { signal },
    );
    window.addEventListener(
      'keyup',
      (event) => {
        if (event.code === 'Space') controller.holdSpace(false);
      },
      { signal },
    );

    const made = { view, controller };
    setParts(made);
    onReady(made);
    return () => {
      stop.abort();
      observer.disconnect();
      leaveMotifs();
      leaveColourway();
      leaveViewport();
      view.close();
      setParts(undefined);
      onReady(undefined);
    };
  }, [editor, onReady, onOpen]);

  return (
    <div
      ref={area}
      data-cloth
      role="application"
      tabIndex={0}
      onDragOver={(event) => event.dataTransfer.types.includes('Files') && event.preventDefault()}
      onDrop={drop}
      aria-label={TEXTS.theClothNAndB}
      className="bare-ground relative col-start-2 row-start-2 touch-none overflow-hidden select-none focus-visible:outline-offset-[-3px]"
    >
      {vision && <VisionFilter vision={vision} />}
      <canvas
        ref={canvas}
        className="absolute inset-0 h-full w-full"
        style={vision && { filter: `url(#${VISION_FILTER})` }}
      />
      {parts && !editor.inside && <DrawingLayer {...parts} />}
      {parts && <ClothOverlay {...parts} Label={Label} />}
      {parts && <ClothProblem view={parts.view} />}
    </div>
  );
}

function ClothProblem({ view }: { readonly view: ClothView }) {
  const problem = useStore({ subscribe: view.subscribe, getState: view.getProblem });
  if (!problem) return null;
  return (
    <p
      role="alert"
      className="absolute inset-x-6 top-6 rounded-md border border-l-4 border-madder bg-white p-3 text-sm shadow-float"
    >
      {problem}
    </p>
  );
}
