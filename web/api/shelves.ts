import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import type { Shelf } from '../../core/shelf/index.ts';
import { call } from './client.ts';

const SHELVES = ['ink-shelves'];

export function useShelves() {
  return useQuery({ queryKey: SHELVES, queryFn: () => call(contract.listShelves, {}) });
}

type ShelfMutation = { readonly save: Shelf } | { readonly remove: string };

/** Saves or deletes a shelf of inks. */
export function useShelfMutation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (mutation: ShelfMutation): Promise<contract.KeptShelf | undefined> => {
      if ('save' in mutation) return call(contract.saveShelf, { body: mutation.save });
      await call(contract.deleteShelf, { params: { id: mutation.remove } });
      return undefined;
    },
    onSuccess: () => client.invalidateQueries({ queryKey: SHELVES }),
  });
}
