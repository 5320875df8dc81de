// @vitest-environment jsdom
import { act, render } from '@testing-library/react';
import { expect, it } from 'vitest';
import { type Newest, useNewest } from './useNewest.ts';

interface Work {
  readonly wish: number;
  readonly end: (result: string) => void;
  readonly fail: (error: Error) => void;
}

it('does one at a time, of what is wished meanwhile the newest alone, and nothing twice', async () => {
  const begun: Work[] = [];
  let seen: Newest<number, string> | undefined;
  function Page({ wish }: { readonly wish: number }) {
    seen = useNewest(
      wish,
      // Odd wishes come to the same as the even ones before them.
      (a, b) => a >> 1 === b >> 1,
      (one) => new Promise<string>((end, fail) => begun.push({ wish: one, end, fail })),
    );
    return null;
  }
  const end = (n: number, how: (work: Work) => void) =>
    act(async () => {
      const work = begun[n];
      if (!work) throw new Error('it was not begun');
      how(work);
      await Promise.resolve();
    });
  const page = render(<Page wish={2} />);
  for (const wish of [4, 6, 8, 9]) page.rerender(<Page wish={wish} />);
  expect(begun.map(({ wish }) => wish)).toEqual([2]);
  expect(seen).toMatchObject({ done: undefined, isBusy: true });
  await end(0, ({ end }) => end('two'));
  expect(seen?.done).toEqual({ of: 2, result: 'two' });
  expect(begun.map(({ wish }) => wish)).toEqual([2, 9]);
  page.rerender(<Page wish={8} />);
  await end(1, ({ fail }) => fail(new Error('no room')));
  // What there was stays, and the failure is told; the same wish is not tried again.
  expect(seen).toEqual({ done: { of: 2, result: 'two' }, failure: 'no room', isBusy: false });
  expect(begun).toHaveLength(2);
  page.rerender(<Page wish={10} />);
  await end(2, ({ end }) => end('ten'));
  expect(seen).toEqual({ done: { of: 10, result: 'ten' }, failure: undefined, isBusy: false });
  page.rerender(<Page wish={12} />);
  page.unmount();
  await end(3, ({ end }) => end('twelve'));
  expect(seen?.done?.of).toBe(10);
});
