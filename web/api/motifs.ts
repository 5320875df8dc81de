import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Artwork, Motif } from '../../core/motif/index.ts';
import type { Recipe } from '../../core/recipe/index.ts';
import { call, upload } from './client.ts';

/** A motif as the drawer lists it. */
export interface DrawerMotif extends Motif {
  /** Address of its small picture. */
  readonly thumbnail: string;
  readonly tags: readonly string[];
  /** Designs it is used in. */
  readonly uses: number;
  /** No longer in the drawer, but still on the cloth of a design. */
  readonly deleted: boolean;
  readonly createdAt: string;
}

export const MOTIFS = ['motifs'];

export function useMotifs() {
  return useQuery({ queryKey: MOTIFS, queryFn: () => call<DrawerMotif[]>('GET', '/motifs'), staleTime: 10_000 });
}

/** The designs that use a motif, and how often. */
export function readUses(id: string): Promise<{ id: string; name: string; count: number }[]> {
  return call<{ id: string; name: string; count: number }[]>('GET', `/motifs/${id}/uses`);
}

export function useMotifUses(id: string) {
  return useQuery({ queryKey: [...MOTIFS, id, 'uses'], queryFn: () => readUses(id) });
}

/** One thing done to a motif of the drawer. */
export type MotifMutation =
  | { readonly id: string; readonly change: Partial<Pick<DrawerMotif, 'name' | 'width' | 'collection' | 'tags'>> }
  | { readonly id: string; readonly deleted: boolean }
  | { readonly id: string; readonly duplicate: true }
  | { readonly id: string; readonly artwork: File }
  | { readonly id: string; readonly recipe: Recipe };

function done(deed: MotifMutation): Promise<unknown> {
  const path = `/motifs/${deed.id}`;
  if ('change' in deed) return call<unknown>('PATCH', path, deed.change);
  if ('recipe' in deed) return call<unknown>('PUT', `${path}/recipe`, { recipe: deed.recipe });
  if ('duplicate' in deed) return call<unknown>('POST', `${path}/duplicate`);
  if ('artwork' in deed)
    return upload<unknown>(
      'PUT',
      `${path}/artwork?name=${encodeURIComponent(deed.artwork.name)}`,
      deed.artwork,
      () => undefined,
      new AbortController().signal,
    );
  return deed.deleted ? call<unknown>('DELETE', path) : call<unknown>('POST', `${path}/restore`);
}

/** Does things to motifs; every list of them follows. */
export function useMotifMutation() {
  const client = useQueryClient();
  return useMutation({ mutationFn: done, onSuccess: () => client.invalidateQueries({ queryKey: MOTIFS }) });
}

/** Makes a motif by a recipe. */
export function useMotifMaking() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (making: { readonly name: string; readonly collection: string; readonly recipe: Recipe }) =>
      call<DrawerMotif>('POST', '/motifs/made', making),
    onSuccess: () => client.invalidateQueries({ queryKey: MOTIFS }),
  });
}

/** Copies of motifs, under names of their own. */
export function useMotifCopies() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (copies: readonly { readonly id: string; readonly name: string }[]) =>
      Promise.all(copies.map(({ id, name }) => call<DrawerMotif>('POST', `/motifs/${id}/duplicate`, { name }))),
    onSuccess: () => client.invalidateQueries({ queryKey: MOTIFS }),
  });
}

/** Artwork by its address; undefined asks for none. */
export function useArtwork(address: string | undefined) {
  return useQuery({
    queryKey: ['artwork', address],
    queryFn: () => call<Artwork>('GET', `/blobs/${address}`),
    enabled: address !== undefined,
    staleTime: Infinity,
  });
}

/** Where a collection's file is fetched from. */
export function collectionFileUrl(name: string): string {
  return `/api/collections/file?name=${encodeURIComponent(name)}`;
}

/** Takes a collection's file into the drawer. */
export function readCollection(
  file: Blob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<{ name: string; motifs: readonly string[]; known: number }> {
  return upload<{ name: string; motifs: readonly string[]; known: number }>(
    'POST',
    '/collections',
    file,
    onProgress,
    signal,
  );
}

export interface Imported {
  readonly motif: DrawerMotif;
  readonly notes: readonly string[];
}

export function importFile(
  file: File,
  collection: string | undefined,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<Imported> {
  const query = new URLSearchParams({ name: file.name, ...(collection && { collection }) });
  return upload<Imported>('POST', `/motifs?${query.toString()}`, file, onProgress, signal);
}
