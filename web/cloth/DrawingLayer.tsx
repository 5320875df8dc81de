import { useEffect, useRef } from 'react';
import { useEditor } from './editorContext.ts';
import type { ClothParts } from './clothParts.ts';
import { DrawingView } from './drawingView.ts';

/** What is being drawn by hand, over the cloth: it is seen in every part of the job, and drawn on in one. */
export function DrawingLayer({ view, controller }: ClothParts) {
  const editor = useEditor();
  const settled = useRef<HTMLCanvasElement>(null);
  const live = useRef<HTMLCanvasElement>(null);

  useEffect(() => {
    if (!settled.current || !live.current) return;
    const { drawing, points, masking } = editor;
    const drawingView = new DrawingView(settled.current, live.current, editor, view);
    const hide = (): void =>
      view.hide((points.opened.getState() ?? masking.opened.getState())?.placement ?? drawing.hidden);
    hide();
    const leaveDrawn = drawing.drawn.subscribe(hide);
    const leavePoints = points.opened.subscribe(hide);
    const leaveMask = masking.opened.subscribe(hide);
    const stop = new AbortController();
    const { signal } = stop;
    controller.area.addEventListener('pointermove', () => drawingView.hover(controller.pointer), { signal });
    controller.area.addEventListener('pointerleave', () => drawingView.hover(undefined), { signal });
    window.addEventListener('pagehide', () => drawing.keepPen(), { signal });
    return () => {
      stop.abort();
      drawing.keepPen();
      leaveDrawn();
      leavePoints();
      leaveMask();
      drawingView.close();
    };
  }, [editor, view, controller]);

  return (
    <>
      <canvas ref={settled} className="pointer-events-none absolute inset-0 h-full w-full" data-drawing />
      <canvas ref={live} aria-busy={false} className="pointer-events-none absolute inset-0 h-full w-full" />
    </>
  );
}
