import { useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import { type PatternSource, sourceKey, type TryOn } from '../../core/tryon/index.ts';
import { call } from './client.ts';

const LIST = ['try-ons'];

/** A pattern is looked at again after so many ms: what is changed in its design is seen at once. */
const PATTERN_MS = 2500;

export function useProducts() {
  return useQuery({ queryKey: ['products'], queryFn: () => call(contract.listProducts, {}) });
}

/** A product with its drawing, which never changes. */
export function useProduct(id: string) {
  return useQuery({
    queryKey: ['product', id],
    queryFn: () => call(contract.readProduct, { params: { id } }),
    staleTime: Infinity,
  });
}

export function productPictureUrl(id: string): string {
  return contract.pathOf(contract.readProductPicture, { id });
}

export function useTryOns() {
  return useQuery({ queryKey: LIST, queryFn: () => call(contract.listTryOns, {}) });
}

/** A try-on to change: read anew each time it is opened, and never behind the hand that changes it. */
export function useTryOn(id: string) {
  return useQuery({
    queryKey: ['try-on', id],
    queryFn: () => call(contract.readTryOn, { params: { id } }),
    gcTime: 0,
    staleTime: Infinity,
  });
}

export function tryOnPictureUrl({ id, revision }: Pick<contract.TryOnSummary, 'id' | 'revision'>): string {
  return contract.pathOf(contract.readTryOnPicture, { id }, { revision });
}

export function createTryOn(tryOn: TryOn): Promise<contract.StoredTryOn> {
  return call(contract.createTryOn, { body: { tryOn } });
}

/** @param leaving whether the window closes meanwhile */
export function saveTryOn(id: string, revision: number, tryOn: TryOn, leaving = false): Promise<{ revision: number }> {
  return call(contract.saveTryOn, { params: { id }, body: { revision, tryOn } }, leaving);
}

export function useTryOnRemoval() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, deleted }: { readonly id: string; readonly deleted: boolean }) =>
      call(deleted ? contract.deleteTryOn : contract.restoreTryOn, { params: { id } }),
    onSuccess: () => client.invalidateQueries({ queryKey: LIST }),
  });
}

/** Reads the list anew once a try-on has been changed. */
export function useTryOnListRefresh(): () => void {
  const client = useQueryClient();
  return () => void client.invalidateQueries({ queryKey: LIST });
}

export function startTryOnFiles(body: contract.JsonBodyOf<typeof contract.exportTryOns>): Promise<contract.Job> {
  return call(contract.exportTryOns, { body });
}

/** A pattern as it is now. */
export type Pattern = contract.AnswerOf<typeof contract.readPattern>;

/** The patterns of some sources, followed: where one changes it is fetched anew. */
export function usePatterns(sources: readonly PatternSource[]) {
  const client = useQueryClient();
  return useQueries({
    queries: sources.map((source) => {
      const queryKey = ['pattern', sourceKey(source)];
      return {
        queryKey,
        queryFn: async (): Promise<Pattern> => {
          const before = client.getQueryData<Pattern>(queryKey);
          const now = await call(contract.readPattern, { query: { ...source, known: before?.state } });
          return now.pattern || !before ? now : { ...before, name: now.name };
        },
        refetchInterval: PATTERN_MS,
        staleTime: PATTERN_MS,
      };
    }),
  });
}
