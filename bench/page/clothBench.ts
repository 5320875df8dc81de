import { listDesignMotifs } from '../../contract/index.ts';
import { Session } from '../../web/editor/session.ts';
import { Picker, selectInLasso } from '../../core/arrange/index.ts';
import type { Hex } from '../../core/colour/index.ts';
import type { Design } from '../../core/document/index.ts';
import { latticeOf } from '../../core/lattice/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { readDesign } from '../../web/api/designs.ts';
import { call } from '../../web/api/client.ts';
import { ClothView } from '../../web/cloth/clothView.ts';
import { TossClient } from '../../web/editor/tossClient.ts';
import { lengthToMm, toMm } from '../../web/cloth/viewport.ts';
import { timeOpening, timeStroke } from './drawingBench.ts';

/** Milliseconds of one thing done many times. */
export interface Timing {
  readonly median: number;
  readonly p95: number;
}

export interface ClothTimings {
  /** Laying one bare repeating fill over the window. */
  readonly fill: Timing;
  /** Opening a motif of 5,000 points for them, until they are seen, ms. */
  readonly opening: number;
  /** One frame of dragging a motif in the middle of the stack. */
  readonly drag: Timing;
  /** The same of a hundred motifs from all through the stack. */
  readonly dragHundred: Timing;
  /** One frame of a stroke of 400 points that is drawn by hand, in all its instances. */
  readonly stroke: Timing;
  /** What lies under the pointer, and the tree that is asked, built anew. */
  readonly pick: Timing;
  readonly pickerBuilt: Timing;
  /** What lies wholly within a box over a quarter of the cell. */
  readonly box: Timing;
  readonly undo: Timing;
  /** From an edit to what the eye would catch on, looked for off the page; and the first time. */
  readonly check: Timing;
  readonly firstCheck: number;
  /** From asking for the design to seeing it. */
  readonly opened: number;
  /** Sent when one motif was moved, and the whole design, bytes. */
  readonly editBytes: number;
  readonly designBytes: number;
  /** Painting the cell in the worker: for the first time, and again when a motif is taken up. */
  readonly repaint: number;
  readonly again: number;
  /** The same while an ink is dragged in the picker: every motif in a colour that none had before. */
  readonly recolour: number;
  /** From nothing to nine cloths of a third of the window's size, each in colours of its own. */
  readonly nine: number;
}

const FRAMES = 150;
const CHECKS = 13;
const RECOLOURS = 9;

async function run(id: string): Promise<ClothTimings> {
  const began = performance.now();
  const { design } = await readDesign(id);
  const motifs = await call(listDesignMotifs, { params: { id } });
  const canvas = document.getElementById('cloth') as HTMLCanvasElement;
  const session = new Session(design);
  const view = new ClothView(canvas, session, { width: 1280, height: 800, density: 1 });
  view.setMotifs(motifs);
  await painted(canvas);
  const opened = performance.now() - began;
  const context = canvas.getContext('2d') as CanvasRenderingContext2D;
  const timed = (frame: (n: number) => void): Timing => {
    const times: number[] = [];
    for (let n = 0; n < FRAMES; n += 1) {
      const began = performance.now();
      frame(n);
      // Drawing is put off until somebody looks.
      context.getImageData(0, 0, 1, 1);
      times.push(performance.now() - began);
    }
    times.sort((a, b) => a - b);
    return { median: times[FRAMES >> 1] as number, p95: times[Math.floor(FRAMES * 0.95)] as number };
  };
  const fill = timed(() => view.drawFrame());
  const repaint = view.lastPaintTook;
  const stroke = timeStroke(design, view, timed);
  const opening = timeOpening(design, view);

  const moved = design.placements[design.placements.length >> 1];
  if (!moved) throw new Error('the design is bare');
  view.hold([moved.id]);
  await painted(canvas);
  const again = view.lastPaintTook;
  const pixel = lengthToMm(view.getViewport(), { x: 1, y: 1 });
  const drag = timed((n) => {
    session.preview({
      type: 'change',
      changes: { [moved.id]: { x: moved.x + 3 * n * pixel.x, y: moved.y + 2 * n * pixel.y } },
    });
    view.drawFrame();
  });
  view.release();

  const picker = new Picker(design.placements, view.pickables, latticeOf(design.repeat));
  const hundred = design.placements
    .filter((_one, n) => n % Math.floor(design.placements.length / 100) === 0)
    .slice(0, 100);
  view.hold(hundred.map((placement) => placement.id));
  await painted(canvas);
  const dragHundred = timed((n) => {
    session.preview({
      type: 'change',
      changes: Object.fromEntries(
        hundred.map((placement) => [
          placement.id,
          { x: placement.x + 3 * n * pixel.x, y: placement.y + 2 * n * pixel.y },
        ]),
      ),
    });
    view.drawFrame();
  });
  session.preview(undefined);
  view.release();
  const recolour = await recolouring(session, view, canvas);
  const lattice = latticeOf(design.repeat);
  const pickerBuilt = timed(() => void new Picker(design.placements, view.pickables, lattice));
  const corners = [
    { x: 40, y: 40 },
    { x: 40 + lattice.domain.width / 2, y: 40 },
    { x: 40 + lattice.domain.width / 2, y: 40 + lattice.domain.height / 2 },
    { x: 40, y: 40 + lattice.domain.height / 2 },
  ];
  const box = timed(() => void selectInLasso(design.placements, view.pickables, lattice, corners));
  const edit = { type: 'change', changes: { [moved.id]: { x: moved.x + 1, y: moved.y + 1 } } } as const;
  session.commit('Moved', edit);
  const undo = timed((n) => void (n % 2 === 0 ? session.undo() : session.redo()));
  const picked = timed((n) => {
    picker.at(toMm(view.getViewport(), { x: (n * 97) % 1280, y: (n * 61) % 800 }), 1);
  });
  view.close();
  const nine = await nineCloths(session, motifs);
  const tosser = new TossClient();
  const checks: number[] = [];
  for (let n = 0; n < CHECKS; n += 1) {
    session.commit('Moved', { type: 'change', changes: { [moved.id]: { x: moved.x + n, y: moved.y + n } } });
    const from = performance.now();
    await tosser.run(session.state.design, motifs, { kind: 'check', near: 1, lane: 4 }).done;
    checks.push(performance.now() - from);
  }
  tosser.close();
  const [firstCheck = 0, ...later] = checks;
  later.sort((a, b) => a - b);
  const check = { median: later[later.length >> 1] as number, p95: later[Math.floor(later.length * 0.95)] as number };
  const bytes = (what: unknown): number => new TextEncoder().encode(JSON.stringify(what)).length;
  const editBytes = bytes({ save: 'a'.repeat(21), revision: 1, commands: [edit] });
  return {
    fill,
    drag,
    dragHundred,
    stroke,
    opening,
    pick: picked,
    pickerBuilt,
    box,
    undo,
    check,
    firstCheck,
    opened,
    editBytes,
    designBytes: bytes(design),
    repaint,
    again,
    recolour,
    nine,
  };
}

/** The colours of a design, each another one by the number. */
function recoloured({ inks }: Design, n: number): Readonly<Record<string, Hex>> {
  return Object.fromEntries(
    inks.map(({ id }, at) => {
      const colour = (0x10407f + n * 0x070b05 + at * 0x1d2f13) & 0xffffff;
      return [id, `#${colour.toString(16).padStart(6, '0')}` as Hex];
    }),
  );
}

/** Painting the cell in the worker in other colours, the median, ms. */
async function recolouring(session: Session, view: ClothView, canvas: HTMLCanvasElement): Promise<number> {
  const { design } = session.state;
  const times: number[] = [];
  for (let n = 0; n < RECOLOURS; n += 1) {
    const colourway = design.colourways[0]?.id ?? '';
    session.preview({ type: 'change-colourway', colourway, colours: recoloured(design, n) });
    await painted(canvas);
    times.push(view.lastPaintTook);
  }
  session.preview(undefined);
  return times.sort((a, b) => a - b)[RECOLOURS >> 1] as number;
}

/** Nine cloths of a design side by side, from nothing until all are seen, ms. */
async function nineCloths({ state: { design } }: Session, motifs: readonly Motif[]): Promise<number> {
  const began = performance.now();
  const cloths = Array.from({ length: 9 }, (_, n) => {
    const canvas = document.createElement('canvas');
    const colourway = { id: 'base', name: 'Base', colours: recoloured(design, n) };
    const session = new Session({ ...design, colourways: [colourway] });
    const view = new ClothView(canvas, session, { width: 420, height: 260, density: 1 });
    view.setMotifs(motifs);
    return { canvas, view };
  });
  await Promise.all(cloths.map(({ canvas }) => painted(canvas)));
  const took = performance.now() - began;
  for (const { view } of cloths) view.close();
  return took;
}

/** Waits until the cloth shows the design as it is. */
async function painted(canvas: HTMLCanvasElement): Promise<void> {
  // A frame for the order to be given, then every frame until it is answered.
  await new Promise((resolve) => setTimeout(resolve, 60));
  do await new Promise((resolve) => requestAnimationFrame(resolve));
  while (canvas.getAttribute('aria-busy') !== 'false');
}

Object.assign(window, { clothBench: run });
