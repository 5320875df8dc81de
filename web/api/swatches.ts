import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import * as contract from '../../contract/index.ts';
import { call } from './client.ts';

const LIST = ['swatches'];
/** Swatches in one page: the first is more than a tall window shows, and is there at once. */
const PAGE = 200;

/** The book as far as it is there. */
interface SwatchList {
  readonly data: readonly contract.SwatchSummary[] | undefined;
  readonly error: Error | null;
  /** Whether that is all of it. */
  readonly isComplete: boolean;
}

/** The whole book, the swatch saved last first: the first page at once, and the others after it. */
export function useSwatches(): SwatchList {
  const query = useInfiniteQuery({
    queryKey: [...LIST, 'pages'],
    queryFn: ({ pageParam }) => call(contract.listSwatches, { query: { offset: pageParam, limit: PAGE } }),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const loaded = pages.reduce((sum, { swatches }) => sum + swatches.length, 0);
      return last.swatches.length === 0 || loaded >= last.total ? undefined : loaded;
    },
  });
  const { data, hasNextPage, isFetching, isError, error, fetchNextPage } = query;
  useEffect(() => {
    if (hasNextPage && !isFetching && !isError) void fetchNextPage();
  }, [hasNextPage, isFetching, isError, fetchNextPage]);
  // What is saved meanwhile moves the others on, so that one may come twice.
  const swatches = useMemo(
    () =>
      data && [...new Map(data.pages.flatMap((page) => page.swatches).map((swatch) => [swatch.id, swatch])).values()],
    [data],
  );
  return { data: swatches, error, isComplete: swatches !== undefined && !hasNextPage };
}

/** The latest of the book; only those saved from a design where one is named. */
export function useLatestSwatches(limit: number, design?: string) {
  return useQuery({
    queryKey: [...LIST, 'latest', limit, design ?? null],
    queryFn: async () => (await call(contract.listSwatches, { query: { design, limit } })).swatches,
  });
}

/** Deleted swatches that can still be restored. */
export function useSwatchBin() {
  return useQuery({ queryKey: ['swatches', 'bin'], queryFn: () => call(contract.listBin, {}) });
}

export function useSwatch(id: string) {
  return useQuery({ queryKey: ['swatch', id], queryFn: () => call(contract.readSwatch, { params: { id } }) });
}

export function useVersions(id: string) {
  return useQuery({
    queryKey: ['swatch', id, 'versions'],
    queryFn: () => call(contract.listVersions, { params: { id } }),
  });
}

/** What two versions of a swatch differ in. */
export function useComparison(id: string, from: number, to: number, enabled: boolean) {
  return useQuery({
    queryKey: ['swatch', id, 'comparison', from, to],
    queryFn: () => call(contract.compareVersions, { params: { id }, body: { from, to } }),
    // Versions never change.
    staleTime: Infinity,
    enabled,
  });
}

/** Saves a design as new swatches, one for each colourway, or in one colourway as a new version of a swatch. */
export function startSwatch(
  design: string,
  revision: number,
  as: { readonly name: string } | { readonly swatch: string; readonly note: string },
  colourways: readonly string[],
): Promise<contract.Job> {
  return call(contract.saveSwatch, { body: { design, revision, colourways, ...as } });
}

type Mutation = { readonly id: string } & (
  | {
      readonly details: Partial<contract.SwatchDetails>;
      /** The tags as they were seen, where they are changed. */
      readonly tagsWere?: readonly string[] | undefined;
    }
  | { readonly deleted: boolean }
  | { readonly restore: number }
);

/** Whatever changes the book: its words, deleting, restoring. */
export function useSwatchMutation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...mutation }: Mutation): Promise<unknown> => {
      const params = { id };
      if ('details' in mutation)
        return call(contract.changeSwatch, { params, body: { ...mutation.details, tagsWere: mutation.tagsWere } });
      if ('restore' in mutation) return call(contract.restoreVersion, { params: { id, number: mutation.restore } });
      return call(mutation.deleted ? contract.deleteSwatch : contract.restoreSwatch, { params });
    },
    onSuccess: async (_result, { id }) => {
      await client.invalidateQueries({ queryKey: LIST });
      await client.invalidateQueries({ queryKey: ['swatch', id] });
    },
  });
}

/** Opens the swatch's design as it was; says which design that is and whether it had to be copied. */
export function openSwatch(id: string): Promise<{ readonly design: string; readonly copied: boolean }> {
  return call(contract.openSwatch, { params: { id } });
}
