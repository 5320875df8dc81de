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
      if ('save' in mutation) {
        const known = client.getQueryData<readonly contract.KeptShelf[]>(SHELVES);
        const were = known && (known.find(({ name }) => name === mutation.save.name)?.inks ?? null);
        return call(contract.saveShelf, { body: { ...mutation.save, were } });
      }
      await call(contract.deleteShelf, { params: { id: mutation.remove } });
      return undefined;
    },
    // Where it was refused, there is something to see too.
    onSettled: () => client.invalidateQueries({ queryKey: SHELVES }),
  });
}
