// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { Notices } from '../../ui/Notices.tsx';
import { useWidths, type Widths } from './useWidths.ts';

/** The factors that the server was sent, and whether it answers well. */
let factors: number[];
let isWell: boolean;

beforeEach(() => {
  factors = [];
  isWell = true;
  vi.stubGlobal('fetch', (_address: string, init?: { readonly body?: string }) => {
    if (!init?.body) return Promise.resolve(new Response('[]'));
    factors.push((JSON.parse(init.body) as { by: number }).by);
    const headers = { 'Content-Type': 'application/json' };
    return Promise.resolve(
      isWell ? new Response('{}', { headers }) : new Response('{"detail":"No."}', { status: 404, headers }),
    );
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function desk() {
  const client = new QueryClient();
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>
      <Notices>{children}</Notices>
    </QueryClientProvider>
  );
  const { result, rerender } = renderHook((widths: Widths) => useWidths(widths), { wrapper, initialProps: {} });
  return {
    begin: (width: number) => result.current.begin('bag', width),
    show: (widths: Widths) =>
      act(async () => {
        rerender(widths);
        await new Promise((resolve) => setTimeout(resolve, 0));
      }),
  };
}

it('a width that is undone is what it was before it was ever changed', async () => {
  const { begin, show } = desk();
  begin(200);
  await show({ bag: 300 });
  begin(300);
  await show({ bag: 150 });
  await show({ bag: 300 });
  await show({});
  expect(factors).toEqual([1.5, 0.5, 2, 200 / 300]);
  expect(factors.reduce((a, b) => a * b)).toBeCloseTo(1, 12);
});

it('a width that was refused is not counted as changed', async () => {
  const { begin, show } = desk();
  begin(200);
  isWell = false;
  await show({ bag: 300 });
  isWell = true;
  await show({ bag: 400 });
  expect(factors).toEqual([1.5, 2]);
});
