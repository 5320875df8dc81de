import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Design, Swatch } from '../../core/document/index.ts';
import { call } from './client.ts';
import type { Job } from './jobs.ts';

export interface SwatchSummary extends Pick<
  Swatch,
  'id' | 'name' | 'savedAt' | 'designId' | 'tile' | 'thumbnail' | 'tileWidth' | 'tileHeight'
> {
  readonly repeat: Design['repeat'];
  readonly colours: readonly string[];
}

const LIST = ['swatches'];

export function useSwatches() {
  return useQuery({ queryKey: LIST, queryFn: () => call<SwatchSummary[]>('GET', '/swatches') });
}

export function useSwatch(id: string) {
  return useQuery({
    queryKey: ['swatch', id],
    queryFn: () => call<SwatchSummary & { design: Design }>('GET', `/swatches/${id}`),
  });
}

export function startSwatch(design: string, revision: number, name: string): Promise<Job> {
  return call<Job>('POST', '/swatches', { design, revision, name });
}

/** Whatever changes the book: a new name, putting away, bringing back. */
export function useSwatchChange() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...change }: { id: string } & ({ name: string } | { deleted: boolean })) => {
      if ('name' in change) return call<unknown>('PATCH', `/swatches/${id}`, change);
      return change.deleted
        ? call<unknown>('DELETE', `/swatches/${id}`)
        : call<unknown>('POST', `/swatches/${id}/restore`);
    },
    onSuccess: async (_result, { id }) => {
      await client.invalidateQueries({ queryKey: LIST });
      await client.invalidateQueries({ queryKey: ['swatch', id] });
    },
  });
}

/** Opens the swatch's design as it was; says which design that is and whether it had to be copied. */
export function openSwatch(id: string): Promise<{ design: string; copied: boolean }> {
  return call<{ design: string; copied: boolean }>('POST', `/swatches/${id}/open`);
}
