import { useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import * as contract from '../../contract/index.ts';
import {
  type Marked,
  type PatternSource,
  type Product,
  sourceKey,
  type TryOn,
  WALL_ID,
  wallProduct,
} from '../../core/tryon/index.ts';
import { hashed } from '../../core/random/index.ts';
import { call, upload } from './client.ts';

const LIST = ['try-ons'];

/** A pattern is looked at again after so many ms: what is changed in its design is seen at once. */
const PATTERN_MS = 2500;

export function useProducts() {
  return useQuery({ queryKey: ['products'], queryFn: () => call(contract.listProducts, {}) });
}

/** A product with its drawing; only those of the studio's own change, by what is done here. */
export function useProduct({ product: id, wall }: Pick<TryOn, 'product' | 'wall'>) {
  const isWall = id === WALL_ID;
  const fetched = useQuery({
    queryKey: ['product', id],
    queryFn: () => call(contract.readProduct, { params: { id } }),
    staleTime: Infinity,
    enabled: !isWall,
  });
  // A wall is made here, as large as it is wanted.
  const made = useMemo(() => (isWall ? wallProduct(wall) : undefined), [isWall, wall]);
  return made ? { data: made, error: null } : { data: fetched.data, error: fetched.error };
}

/** The address of a product's picture, another one once it has changed. */
export function productPictureUrl(product: Product): string {
  const { id } = product;
  const mark = [...JSON.stringify(product)].reduce((hash, letter) => hashed(hash, letter.charCodeAt(0), 0), 0);
  return `${contract.pathOf(contract.readProductPicture, { id })}?as=${mark}`;
}

type ProductMutation =
  | { readonly file: File }
  | { readonly motif: string }
  | { readonly id: string; readonly change: contract.JsonBodyOf<typeof contract.changeProduct> }
  | { readonly id: string; readonly marked: Marked }
  | { readonly id: string; readonly deleted: boolean };

/** Whatever is done to products of the studio's own. */
export function useProductMutation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (mutation: ProductMutation): Promise<Product | undefined> => {
      if ('file' in mutation)
        return upload(contract.importProduct, { query: { name: mutation.file.name } }, mutation.file);
      if ('motif' in mutation) return call(contract.makeProductOfMotif, { body: { motif: mutation.motif } });
      const params = { id: mutation.id };
      if ('change' in mutation) return call(contract.changeProduct, { params, body: mutation.change });
      if ('marked' in mutation) return call(contract.markPhotograph, { params, body: mutation.marked });
      await call(mutation.deleted ? contract.deleteProduct : contract.restoreProduct, { params });
      return undefined;
    },
    onSuccess: async (_product, mutation) => {
      await client.invalidateQueries({ queryKey: ['products'] });
      if ('id' in mutation) await client.invalidateQueries({ queryKey: ['product', mutation.id] });
    },
  });
}

/** The photograph of a product, with what is marked on it. */
export function usePhotograph(id: string) {
  return useQuery({
    queryKey: ['product', id, 'photograph'],
    queryFn: () => call(contract.readPhotograph, { params: { id } }),
    gcTime: 0,
    staleTime: Infinity,
  });
}

export function useTryOns() {
  return useQuery({ queryKey: LIST, queryFn: () => call(contract.listTryOns, {}) });
}

/** How a try-on to change is read: anew each time it is opened, and never behind the hand that changes it. */
export const tryOnQuery = (id: string) => ({
  queryKey: ['try-on', id],
  queryFn: () => call(contract.readTryOn, { params: { id } }),
  gcTime: 0,
  staleTime: Infinity,
});

export function useTryOn(id: string) {
  return useQuery(tryOnQuery(id));
}

export function tryOnPictureUrl({ id, revision }: Pick<contract.TryOnSummary, 'id' | 'revision'>): string {
  return contract.pathOf(contract.readTryOnPicture, { id }, { revision });
}

export function createTryOn(tryOn: TryOn): Promise<contract.StoredTryOn> {
  return call(contract.createTryOn, { body: { tryOn } });
}

/** @param save names this save, so that it counts once however often it is sent; it may outlive its window */
export function saveTryOn(
  id: string,
  revision: number,
  tryOn: TryOn,
  save: string,
): Promise<{ readonly revision: number }> {
  return call(contract.saveTryOn, { params: { id }, body: { revision, tryOn, save } }, true);
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
