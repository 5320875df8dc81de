import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Motif } from '../../core/motif/motif.ts';
import { call, upload } from './client.ts';

/** A motif with the address of its small picture. */
export interface DrawerMotif extends Motif {
  readonly thumbnail: string;
}

export const MOTIFS = ['motifs'];

export function useMotifs() {
  return useQuery({ queryKey: MOTIFS, queryFn: () => call<DrawerMotif[]>('GET', '/motifs'), staleTime: 10_000 });
}

export function useChangeMotif() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...change }: { id: string; name?: string; width?: number }) => call<DrawerMotif>('PATCH', `/motifs/${id}`, change),
    onSuccess: () => client.invalidateQueries({ queryKey: MOTIFS }),
  });
}

export interface Imported {
  readonly motif: DrawerMotif;
  readonly notes: readonly string[];
}

export function importFile(file: File, onProgress: (share: number) => void, signal: AbortSignal): Promise<Imported> {
  return upload<Imported>(`/motifs?name=${encodeURIComponent(file.name)}`, file, onProgress, signal);
}
