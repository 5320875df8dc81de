import type { DesignMotif } from '../../contract/index.ts';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { apply, newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import type { TossRecipe } from '../../core/recipe/index.ts';
import { LEAF_MOTIF, leafAt } from '../../core/testing/arbitraries.ts';
import type { TossedMotif, TossResult } from '../../core/toss/index.ts';
import { Editor } from './editor.ts';
import type { TossAnswer, TossOrder } from './tossMessages.ts';

/** A worker that answers what it is told to. */
class FakeWorker {
  static last: FakeWorker;
  readonly orders: TossOrder[] = [];
  onmessage: ((event: { data: TossAnswer }) => void) | undefined;
  onerror: ((event: { message: string }) => void) | undefined;
  isEnded = false;
  constructor() {
    FakeWorker.last = this;
  }
  postMessage(order: TossOrder): void {
    this.orders.push(order);
  }
  terminate(): void {
    this.isEnded = true;
  }
  answer(answer: Omit<TossAnswer, 'id'>): void {
    const order = this.orders.findLast((tossOrder) => 'id' in tossOrder) as { id: number };
    this.onmessage?.({ data: { id: order.id, ...answer } as TossAnswer });
  }
}

const RECIPE: TossRecipe = {
  entries: [{ motif: 'leaf', role: 'filler', count: 3, smallest: 0.5, largest: 1 }],
  directions: { kind: 'all' },
  flipped: false,
  gap: 2,
  ground: 0,
  seed: 1,
};
const laid = (x: number): TossedMotif => ({ motif: 'leaf', x, y: 20, rotation: 0, scale: 1, flipped: false });
const tossed = (...xs: number[]): TossResult => ({ placed: xs.map(laid), unplaced: [], covered: 0.1 });
let editor: Editor;

beforeEach(() => {
  vi.stubGlobal('Worker', FakeWorker);
  const blank = newDesign('d', 'Tossed', { width: 100, height: 80, step: SQUARE });
  editor = new Editor(
    apply(blank, { type: 'insert', placements: [{ index: 0, placement: leafAt('own', { x: 5, y: 5 }) }] }),
  );
  editor.motifs.set([{ ...LEAF_MOTIF.motif, id: 'leaf', name: 'Leaf', inks: [] } as unknown as DesignMotif]);
});

afterEach(() => vi.unstubAllGlobals());

it('is seen as it goes, is one step in the end, and leaves its recipe with the design', async () => {
  const { tossing, session } = editor;
  tossing.change({ entries: RECIPE.entries, gap: 2, ground: 0, flipped: false });
  const running = tossing.run(tossing.recipe, true);
  FakeWorker.last.answer({ progress: tossed(10) });
  expect(session.state.design.placements).toHaveLength(2);
  expect(session.state.committed.placements).toHaveLength(1);
  expect(tossing.running.getState()).toBeDefined();
  FakeWorker.last.answer({ done: tossed(10, 40) });
  await running;
  expect(session.state.committed.placements.map(({ x }) => x)).toEqual([5, 10, 40]);
  expect(session.state.committed.toss).toMatchObject({
    recipe: { gap: 2 },
    laid: session.state.committed.placements.slice(1).map(({ id }) => id),
  });
  expect(session.state.past).toHaveLength(1);
  expect(tossing.edited.getState()).toBeUndefined();
  expect(tossing.running.getState()).toBeUndefined();
});

it('hands over what an earlier toss laid only where it is to start from there', async () => {
  const { tossing } = editor;
  const first = tossing.run(RECIPE, true);
  FakeWorker.last.answer({ done: tossed(10, 40) });
  await first;
  for (const afresh of [false, true]) {
    const next = tossing.run(RECIPE, afresh);
    const order = FakeWorker.last.orders.at(-1) as Extract<TossOrder, { id: number }>;
    expect(order.design.placements.map(({ id }) => id)).toEqual(['own']);
    expect(order.task).toMatchObject({ kind: 'toss', from: afresh ? [] : [laid(10), laid(40)] });
    FakeWorker.last.answer({ done: tossed(10, 40) });
    await next;
  }
});

it('lays nothing where something was changed meanwhile, and says so', async () => {
  const running = editor.tossing.run(RECIPE, true);
  FakeWorker.last.answer({ progress: tossed(10) });
  editor.select(['own']);
  editor.nudge({ x: 1, y: 0 });
  FakeWorker.last.answer({ done: tossed(10, 40) });
  await running;
  expect(editor.session.state.design.placements.map(({ x }) => x)).toEqual([6]);
  expect(editor.tossing.problem.getState()).toContain('The design changed during the toss');
});

it('takes its picture away and says why where nothing comes of it', async () => {
  const { tossing, session } = editor;
  for (const [end, why] of [
    [() => FakeWorker.last.answer({ done: tossed() }), 'No motif fits at this gap'],
    [
      () => FakeWorker.last.answer({ failed: 'There is nothing to toss.', expected: true }),
      'There is nothing to toss.',
    ],
    [() => FakeWorker.last.answer({ failed: 'x is undefined', expected: false }), 'Nothing was changed'],
    [() => FakeWorker.last.onerror?.({ message: 'out of memory' }), 'broke off (out of memory)'],
  ] as const) {
    const running = tossing.run(RECIPE, true);
    FakeWorker.last.answer({ progress: tossed(10) });
    expect(session.state.design.placements).toHaveLength(2);
    end();
    await running;
    expect(tossing.problem.getState()).toContain(why);
    expect(session.state.design).toBe(session.state.committed);
    expect(session.state.past).toHaveLength(0);
    expect(tossing.running.getState()).toBeUndefined();
  }
});

it('is stopped by a message to the worker, and ends with its editor', () => {
  void editor.tossing.run(RECIPE, true);
  const worker = FakeWorker.last;
  editor.tossing.running.getState()?.stop();
  expect(worker.orders.at(-1)).toEqual({ stop: 1 });
  // One at a time.
  void editor.tossing.run(RECIPE, true);
  expect(worker.orders).toHaveLength(2);
  editor.tossing.close();
  expect(worker.isEnded).toBe(true);
});

it('lays nothing where every layer is locked, and says so', async () => {
  editor.changeLayer('Locked', editor.design.layers[0]?.id ?? '', { locked: true });
  await editor.tossing.run(RECIPE, true);
  expect(editor.refusal.getState()).toContain('Every layer is hidden or locked');
  expect(editor.tossing.running.getState()).toBeUndefined();
});
