/** How the threads of a cloth cross. */
export const WEAVE_NAMES = ['plain', 'twill', 'basket', 'sateen'] as const;
export type WeaveName = (typeof WEAVE_NAMES)[number];

interface Weave {
  readonly name: string;
  /** Threads after which the crossings begin again. */
  readonly period: number;
  /** Whether the warp, which runs along the cloth, lies on top where a warp thread crosses a weft thread. */
  isWarpUp(warp: number, weft: number): boolean;
}

export const WEAVES: { readonly [K in WeaveName]: Weave } = {
  plain: { name: 'Plain weave', period: 2, isWarpUp: (warp, weft) => (warp + weft) % 2 === 0 },
  // 2/2, each pick one thread further on.
  twill: { name: 'Twill', period: 4, isWarpUp: (warp, weft) => (warp + weft) % 4 < 2 },
  basket: { name: 'Basket weave', period: 4, isWarpUp: (warp, weft) => ((warp >> 1) + (weft >> 1)) % 2 === 0 },
  // Of five threads, with a move number of two, so that no two crossings touch.
  sateen: { name: 'Sateen', period: 5, isWarpUp: (warp, weft) => (warp + 2 * weft) % 5 === 0 },
};

/** How dark the furrow between two threads is, as a share of the light. */
const FURROW = 0.22;
/** How much darker a thread is where it dips under its neighbours. */
const DIP = 0.1;

const wrap = (value: number, period: number): number => value - period * Math.floor(value / period);

/**
 * How much light a woven cloth gives back at a point, 0 to 1: threads are round, so that each is brightest along its
 * middle, and dip where others cross over them.
 *
 * @param x threads across, from any warp thread
 * @param y threads down, from any weft thread
 */
export function weaveLight(weave: WeaveName, x: number, y: number): number {
  const { period, isWarpUp } = WEAVES[weave];
  const [across, down] = [wrap(x, period), wrap(y, period)];
  const [warp, weft] = [Math.floor(across), Math.floor(down)];
  // From the middle of the thread, -1 to 1, across it and along it.
  const [u, v] = [2 * (across - warp) - 1, 2 * (down - weft) - 1];
  const [over, along] = isWarpUp(warp, weft) ? [u, v] : [v, u];
  return 1 - FURROW * over ** 4 - DIP * along ** 2;
}
