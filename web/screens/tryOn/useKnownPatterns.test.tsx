// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { newTryOn, type Product, withPieceSource } from '../../../core/tryon/index.ts';
import { useKnownPatterns } from './useKnownPatterns.ts';

const PRODUCT = { id: 'vest', pieces: [{ id: 'front' }, { id: 'back' }] } as unknown as Product;
const TRY_ON = withPieceSource(newTryOn('Vest', PRODUCT, { design: 'kelp' }), 'back', { swatch: 'whelks' });

/** Each request that was sent, by what it asks for. */
let answers: Map<string, (status: number, body: object) => void>;

beforeEach(() => {
  answers = new Map();
  vi.stubGlobal(
    'fetch',
    (path: string) =>
      new Promise((resolve) => {
        const wanted = new URL(path, 'http://localhost').searchParams;
        answers.set(wanted.get('design') ?? wanted.get('swatch') ?? '', (status, body) =>
          resolve({ ok: status < 300, status, text: () => Promise.resolve(JSON.stringify(body)) }),
        );
      }),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('is complete once every pattern is there or known to be missing', async () => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(() => useKnownPatterns(TRY_ON, PRODUCT), { wrapper });
  expect(result.current.isComplete).toBe(false);
  await waitFor(() => expect([...answers.keys()].sort()).toEqual(['kelp', 'whelks']));
  act(() => answers.get('kelp')?.(200, { state: '1', name: 'Kelp', pattern: { design: {}, motifs: [] } }));
  await waitFor(() => expect([...result.current.patterns.keys()]).toHaveLength(1));
  expect(result.current.isComplete).toBe(false);
  act(() => answers.get('whelks')?.(404, { status: 404, title: 'This swatch is no longer there.' }));
  await waitFor(() => expect(result.current.isComplete).toBe(true));
  expect(result.current.missing.size).toBe(1);
});
