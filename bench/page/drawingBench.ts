import type { DesignMotif } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { PenPoint } from '../../core/draw/index.ts';
import { type Artwork, Pen } from '../../core/motif/index.ts';
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

/** Points of a motif that is opened for them, by lines, and how often it is opened. */
const [LINES, KNOTS, TIMES] = [50, 100, 9];

/** How long a motif of 5,000 points takes to open for them, until all of them are seen, ms; the median of several. */
export function timeOpening(design: Design, view: ClothView): number {
  const [settled, live] = [document.createElement('canvas'), document.createElement('canvas')];
  const editor = new Editor(design);
  editor.part.set('draw');
  editor.drawing.tool.set('points');
  const drawingView = new DrawingView(settled, live, editor, view);
  const context = live.getContext('2d') as CanvasRenderingContext2D;
  const artwork = manyPoints();
  const [placement] = design.placements;
  if (!placement) throw new Error('the design is bare');
  const motif = {
    ...view.drawn.get(placement.motif)?.motif,
    recipe: null,
    artwork: '',
    view: artwork.view,
    width: 100,
  };
  const times = Array.from({ length: TIMES }, () => {
    const began = performance.now();
    editor.points.open(placement, motif as DesignMotif, artwork);
    drawingView.drawFrame();
    context.getImageData(0, 0, 1, 1);
    const took = performance.now() - began;
    editor.points.close();
    return took;
  });
  drawingView.close();
  return times.sort((a, b) => a - b)[TIMES >> 1] as number;
}

/** Wavy rings within each other. */
function manyPoints(): Artwork {
  const paths = Array.from({ length: LINES }, (_, line) => {
    const pen = new Pen();
    const at = (n: number, out: number): [number, number] => {
      const angle = (2 * Math.PI * n) / KNOTS;
      const radius = 5 + line * 0.8 + out;
      return [50 + radius * Math.cos(angle), 50 + radius * Math.sin(angle)];
    };
    pen.move(...at(0, 0));
    for (let n = 1; n <= KNOTS; n += 1) pen.curve(...at(n - 0.66, 0.2), ...at(n - 0.33, -0.2), ...at(n, 0));
    return pen.close().toString();
  });
  return {
    version: 1,
    view: { x: 0, y: 0, width: 100, height: 100 },
    nodes: paths.map((path) => ({
      kind: 'path',
      path,
      rule: 'nonzero',
      strokeFirst: false,
      fill: { kind: 'ink', ink: '#22304a', opacity: 1 },
    })),
  };
}
