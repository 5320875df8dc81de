import { LRUCache } from 'lru-cache';
import {
  keepPreviousData,
  useInfiniteQuery,
  useMutation,
  useQueries,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useMemo } from 'react';
import * as contract from '../../contract/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import type { Recipe } from '../../core/recipe/index.ts';
import { smallPixels } from './smallPixels.ts';
import { blobUrl, call, upload } from './client.ts';
import { TEXTS } from './texts.ts';

export const MOTIFS = ['motifs'];

/** What of the drawer is asked for. */
export interface MotifSearch {
  readonly words?: string;
  readonly collection?: string | undefined;
  readonly order?: contract.MotifOrder;
}

/** Motifs in one page; more than a tall window shows. */
const PAGE = 60;

/** The drawer, page by page as it is scrolled. */
export function useMotifPages({ words = '', collection, order = 'newest' }: MotifSearch) {
  const query = useInfiniteQuery({
    queryKey: [...MOTIFS, 'pages', words, collection ?? null, order],
    queryFn: ({ pageParam }) =>
      call(contract.listMotifs, {
        query: { words: words || undefined, collection, order, offset: pageParam, limit: PAGE },
      }),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const loaded = pages.reduce((sum, { motifs }) => sum + motifs.length, 0);
      return last.motifs.length === 0 || loaded >= last.total ? undefined : loaded;
    },
    placeholderData: keepPreviousData,
    staleTime: 10_000,
  });
  const { data } = query;
  // The same list as long as it is of the same pages: effects depend on it.
  const motifs = useMemo(() => data?.pages.flatMap((page) => page.motifs), [data]);
  return { ...query, motifs, total: data?.pages[0]?.total ?? 0 };
}

export function useCollections() {
  return useQuery({ queryKey: [...MOTIFS, 'collections'], queryFn: () => call(contract.listCollections, {}) });
}

/** One motif; undefined asks for none. */
/** @throws ApiProblem where there is none */
export function readMotif(id: string): Promise<contract.ListedMotif> {
  return call(contract.readMotif, { params: { id } });
}

export function useMotif(id: string | undefined) {
  return useQuery({
    queryKey: [...MOTIFS, 'one', id],
    queryFn: () => readMotif(id ?? ''),
    enabled: id !== undefined,
  });
}

/** Several motifs by their ids; those that cannot be read are left out. */
export function useMotifsById(ids: readonly string[]) {
  return useQueries({
    queries: ids.map((id) => ({
      queryKey: [...MOTIFS, 'one', id],
      queryFn: () => readMotif(id),
    })),
    combine: (results) => results.flatMap(({ data }) => data ?? []),
  });
}

/** The pixels of pictures in the blob store, made small, one after another; undefined until all are there. */
export function useSmallPixels(blobs: readonly string[]): Uint8ClampedArray | undefined {
  return useQueries({
    queries: blobs.map((blob) => ({
      queryKey: [...MOTIFS, 'pixels', blob],
      queryFn: async () => smallPixels(await (await fetch(blobUrl(blob))).blob()),
      staleTime: Infinity,
    })),
    combine: joined,
  });
}

/** Kept apart, so that the same pixels are the same array. */
function joined(results: readonly { readonly data: Uint8ClampedArray | undefined }[]): Uint8ClampedArray | undefined {
  const all = results.flatMap(({ data }) => data ?? []);
  if (results.length === 0 || all.length < results.length) return undefined;
  return all.length === 1 ? all[0] : Uint8ClampedArray.from(all.flatMap((data) => [...data]));
}

/** The motifs that a design names, with their parts. */
export function useDesignMotifs(design: string) {
  return useQuery({
    queryKey: [...MOTIFS, 'design', design],
    queryFn: () => call(contract.listDesignMotifs, { params: { id: design } }),
    staleTime: 10_000,
  });
}

/** The designs that use a motif, and how often. */
export function readUses(id: string) {
  return call(contract.listMotifUses, { params: { id } });
}

export function useMotifUses(id: string) {
  return useQuery({ queryKey: [...MOTIFS, id, 'uses'], queryFn: () => readUses(id) });
}

/** One change to a motif of the drawer. */
export type MotifMutation =
  | {
      readonly id: string;
      readonly change: Partial<Pick<contract.StoredMotif, 'name' | 'width' | 'collection' | 'tags'>>;
      /** The tags as they were seen, where they are changed. */
      readonly tagsWere?: readonly string[];
    }
  | { readonly id: string; readonly deleted: boolean }
  | { readonly id: string; readonly duplicate: true }
  | { readonly id: string; readonly artwork: File }
  | {
      readonly id: string;
      readonly recipe: Recipe;
      /** The artwork that was seen when it was made. */
      readonly from?: string | undefined;
    };

type Remaking = Extract<MotifMutation, { recipe: unknown }> & {
  /** Whether what this window has made of it since counts as another's change. */
  readonly isExact?: boolean;
};

/** What this window itself has made of artwork, so that its next change, begun before it has read that, is not taken for another's. */
const madeHere = new LRUCache<string, string>({ max: 200 });

async function remake({ id, recipe, from, isExact = false }: Remaking): Promise<contract.StoredMotif> {
  let seen = from;
  if (!isExact) for (let next = seen; next !== undefined; next = madeHere.get(`${id} ${next}`)) seen = next;
  const made = await call(contract.remakeMotif, { params: { id }, body: { recipe, from: seen } });
  // Back to what it was before: a ring would have no end.
  madeHere.delete(`${id} ${made.artwork}`);
  if (seen !== undefined && seen !== made.artwork) madeHere.set(`${id} ${seen}`, made.artwork);
  return made;
}

function mutate(mutation: MotifMutation): Promise<unknown> {
  const params = { id: mutation.id };
  if ('change' in mutation) {
    const { name, width, collection, tags } = mutation.change;
    return call(contract.changeMotif, { params, body: { name, width, collection, tags, tagsWere: mutation.tagsWere } });
  }
  if ('recipe' in mutation) return remake(mutation);
  if ('duplicate' in mutation) return call(contract.duplicateMotif, { params, body: {} });
  if ('artwork' in mutation)
    return upload(contract.replaceArtwork, { params, query: { name: mutation.artwork.name } }, mutation.artwork);
  return call(mutation.deleted ? contract.deleteMotif : contract.restoreMotif, { params });
}

/** Changes motifs; every list of them follows. */
export function useMotifMutation() {
  const client = useQueryClient();
  return useMutation({ mutationFn: mutate, onSuccess: () => client.invalidateQueries({ queryKey: MOTIFS }) });
}

/** Makes motifs anew by other recipes. */
export function useRemaking() {
  const client = useQueryClient();
  return useMutation({ mutationFn: remake, onSuccess: () => client.invalidateQueries({ queryKey: MOTIFS }) });
}

/** Makes a motif by a recipe. */
export function useMotifMaking() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { readonly name: string; readonly collection: string; readonly recipe: Recipe }) =>
      call(contract.makeMotif, { body }),
    onSuccess: () => client.invalidateQueries({ queryKey: MOTIFS }),
  });
}

/** Copies of motifs, under names of their own. */
export function useMotifCopies() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (copies: readonly { readonly id: string; readonly name: string }[]) =>
      Promise.all(copies.map(({ id, name }) => call(contract.duplicateMotif, { params: { id }, body: { name } }))),
    onSuccess: () => client.invalidateQueries({ queryKey: MOTIFS }),
  });
}

/** Artwork by its address; undefined asks for none. */
export function useArtwork(address: string | undefined) {
  return useQuery({
    queryKey: ['artwork', address],
    queryFn: () => fetchArtwork(address ?? ''),
    enabled: address !== undefined,
    staleTime: Infinity,
  });
}

/** Artwork from the blob store, which holds only what the server has written. @throws Error where it is not there */
export async function fetchArtwork(address: string): Promise<Artwork> {
  const response = await fetch(blobUrl(address));
  if (!response.ok) throw new Error(TEXTS.theArtworkAddressCannotBe(address, response.status));
  return response.json();
}

/** Where a collection's file is fetched from. */
export function collectionFileUrl(name: string): string {
  return contract.pathOf(contract.readCollectionFile, {}, { name });
}

/** Imports a collection's file into the drawer. */
export function importCollection(file: Blob, onProgress: (share: number) => void, signal: AbortSignal) {
  return upload(contract.importCollection, {}, file, onProgress, signal);
}

/** Reads a motif's own file again, with the fonts that the studio has now. */
export function rereadMotif(id: string): Promise<contract.ImportReport> {
  return call(contract.rereadMotif, { params: { id } });
}

export function importFile(
  file: File,
  collection: string | undefined,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<contract.ImportReport> {
  return upload(contract.importMotif, { query: { name: file.name, collection } }, file, onProgress, signal);
}
