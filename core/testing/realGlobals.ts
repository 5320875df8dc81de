import { afterAll, vi } from 'vitest';

/** Files share a process: what one of them stands in for, the next would have in place of the real one. */
afterAll(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
