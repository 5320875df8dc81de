import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { clothPlan } from '../../core/paint/index.ts';
import { PaintClient, type PaintHost } from './paintClient.ts';
import type { Painted, PaintOrder } from './paintMessages.ts';

const REPEAT = { width: 100, height: 100, step: SQUARE };
const WISH: Omit<PaintOrder, 'id'> = {
  design: newDesign('d', 'Kelp', REPEAT),
  motifs: [],
  plan: clothPlan(REPEAT, 2, { width: 800, height: 600 }),
  window: undefined,
  moving: [],
};

/** An image that knows whether it was let go. */
function image(): ImageBitmap & { closed: boolean } {
  return {
    width: 1,
    height: 1,
    closed: false,
    close() {
      this.closed = true;
    },
  };
}

/** A worker whose answers and end are the test's to decide. */
class FakeHost implements PaintHost {
  readonly orders: { order: PaintOrder; resolve: (painted: Painted) => void; reject: (error: Error) => void }[] = [];
  closed = false;
  die: (why: string) => void = () => undefined;
  readonly service = {
    paint: (order: PaintOrder) =>
      new Promise<Painted>((resolve, reject) => this.orders.push({ order, resolve, reject })),
  };
  onDeath(listener: (why: string) => void): void {
    this.die = listener;
  }
  close(): void {
    this.closed = true;
  }
}

function setUp() {
  const hosts: FakeHost[] = [];
  const onPainted = vi.fn();
  const onProblem = vi.fn();
  const client = new PaintClient(
    () => {
      const host = new FakeHost();
      hosts.push(host);
      return host;
    },
    onPainted,
    onProblem,
  );
  return { client, hosts, onPainted, onProblem };
}

const painted = (): Painted => ({ below: image(), above: undefined, sprites: [], took: 1 });

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('the paint client', () => {
  it('hands over what was painted with the order it answers, one at a time', async () => {
    const { client, hosts, onPainted } = setUp();
    client.order(WISH);
    expect(client.isBusy).toBe(true);
    expect(() => client.order(WISH)).toThrow(/under way/);
    const answer = painted();
    hosts[0]?.orders[0]?.resolve(answer);
    await vi.advanceTimersByTimeAsync(0);
    expect(onPainted).toHaveBeenCalledExactlyOnceWith(answer, expect.objectContaining({ id: 1, plan: WISH.plan }));
    expect(client.isBusy).toBe(false);
  });

  it('gives an order up after a time, says so, and drops the answer that comes late', async () => {
    const { client, hosts, onPainted, onProblem } = setUp();
    client.order(WISH);
    await vi.advanceTimersByTimeAsync(30_000);
    expect(onProblem).toHaveBeenCalledExactlyOnceWith(expect.stringMatching(/in time.*Your design is safe/));
    client.order(WISH);
    const late = painted();
    hosts[0]?.orders[0]?.resolve(late);
    await vi.advanceTimersByTimeAsync(0);
    expect(onPainted).not.toHaveBeenCalled();
    expect((late.below as ReturnType<typeof image>).closed).toBe(true);
    hosts[0]?.orders[1]?.resolve(painted());
    await vi.advanceTimersByTimeAsync(0);
    expect(onPainted).toHaveBeenCalledOnce();
  });

  it('never uses an id again, whatever became of the orders', async () => {
    const { client, hosts } = setUp();
    client.order(WISH);
    hosts[0]?.orders[0]?.reject(new Error('no memory'));
    await vi.advanceTimersByTimeAsync(0);
    client.order(WISH);
    hosts[0]?.die('gone');
    hosts[1]?.orders[0]?.resolve(painted());
    await vi.advanceTimersByTimeAsync(0);
    client.order(WISH);
    const ids = hosts.flatMap(({ orders }) => orders.map(({ order }) => order.id));
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toEqual([1, 2, 3, 4]);
  });

  it('replaces a worker that dies and asks it again; gives up where each dies', async () => {
    const { client, hosts, onPainted, onProblem } = setUp();
    client.order(WISH);
    hosts[0]?.die('out of memory');
    expect(hosts[0]?.closed).toBe(true);
    expect(hosts[1]?.orders).toHaveLength(1);
    hosts[1]?.die('out of memory');
    hosts[2]?.die('out of memory');
    expect(onProblem).toHaveBeenCalledExactlyOnceWith(expect.stringContaining('out of memory'));
    expect(client.isBusy).toBe(false);
    // A later order begins with a worker of its own.
    client.order(WISH);
    hosts[3]?.orders[0]?.resolve(painted());
    await vi.advanceTimersByTimeAsync(0);
    expect(onPainted).toHaveBeenCalledOnce();
    // What a dead worker says is nobody's any more.
    hosts[0]?.die('again');
    expect(hosts).toHaveLength(4);
  });

  it('says why painting failed, and paints on', async () => {
    const { client, hosts, onProblem } = setUp();
    client.order(WISH);
    hosts[0]?.orders[0]?.reject(new Error('a picture is damaged'));
    await vi.advanceTimersByTimeAsync(0);
    expect(onProblem).toHaveBeenCalledExactlyOnceWith(expect.stringContaining('a picture is damaged'));
    expect([client.isBusy, hosts[0]?.closed]).toEqual([false, false]);
    client.close();
    expect(hosts[0]?.closed).toBe(true);
  });
});
