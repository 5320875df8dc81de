import type { Design } from '../../core/document/index.ts';
import type { PenPoint } from '../../core/draw/index.ts';
import type { ClothView } from '../../web/cloth/clothView.ts';
import { DrawingView } from '../../web/cloth/drawingView.ts';
import { toMm } from '../../web/cloth/viewport.ts';
import { Editor } from '../../web/editor/editor.ts';

const POINTS = 400;
const FRAMES = 150;

/**
 * Frames of a stroke that grows to 400 points over a cloth, each from what the pen reports to what is seen.
 *
 * @param timed does it so many times and says how long it took
 */
export function timeStroke<T>(design: Design, view: ClothView, timed: (frame: (n: number) => void) => T): T {
  const [settled, live] = [document.createElement('canvas'), document.createElement('canvas')];
  const editor = new Editor(design);
  editor.part.set('draw');
  const drawingView = new DrawingView(settled, live, editor, view);
  const context = live.getContext('2d') as CanvasRenderingContext2D;
  const points = Array.from({ length: POINTS }, (_, n): PenPoint => {
    const turn = (n / POINTS) * 9;
    const at = { x: 640 + (80 + n * 0.6) * Math.cos(turn), y: 400 + (60 + n * 0.4) * Math.sin(turn) };
    return { ...toMm(view.getViewport(), at), time: n * 4, pressure: 0.5 + 0.4 * Math.sin(turn * 2) };
  });
  const timing = timed((n) => {
    const length = POINTS - FRAMES + n;
    editor.drawing.pen.set({
      points: points.slice(0, length),
      predicted: points.slice(length, length + 2),
      deed: 'line',
    });
    drawingView.drawFrame();
    context.getImageData(0, 0, 1, 1);
  });
  editor.drawing.pen.set(undefined);
  drawingView.close();
  return timing;
}
