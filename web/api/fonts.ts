import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import { cutText } from '../../core/schema/index.ts';
import { call, upload } from './client.ts';

const FONTS = ['fonts'];

/** The studio's own fonts. */
export function useFonts() {
  return useQuery({ queryKey: FONTS, queryFn: () => call(contract.listFonts, {}) });
}

/** Adds a font's file. */
export function useFontImport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (file: File): Promise<contract.Font> =>
      upload(contract.importFont, { query: { name: cutText(file.name, 120) } }, file),
    onSuccess: () => client.invalidateQueries({ queryKey: FONTS }),
  });
}

/** Takes a font out, or back in. */
export function useFontDeletion() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, deleted }: { readonly id: string; readonly deleted: boolean }): Promise<unknown> =>
      call(deleted ? contract.deleteFont : contract.restoreFont, { params: { id } }),
    onSuccess: () => client.invalidateQueries({ queryKey: FONTS }),
  });
}
