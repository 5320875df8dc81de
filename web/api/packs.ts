import { useMutation, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import { call, upload } from './client.ts';
import type { ExportSource } from './exports.ts';

/** Swatches and designs with all that they are made of, as one file. */
export function startPack(sources: readonly ExportSource[]): Promise<contract.Job> {
  const swatches = sources.flatMap((source) => ('swatch' in source ? [source.swatch] : []));
  const designs = sources.flatMap((source) => ('design' in source ? [source.design] : []));
  return call(contract.startPack, { body: { swatches, designs } });
}

export function startSheet(wish: contract.JsonBodyOf<typeof contract.startSheet>): Promise<contract.Job> {
  return call(contract.startSheet, { body: wish });
}

/** Imports a pack or a design’s file. */
export function useImportPacks() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (file: File) => upload(contract.importPack, {}, file),
    // Swatches, designs and motifs may all have come.
    onSuccess: () => client.invalidateQueries(),
  });
}
