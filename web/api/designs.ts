import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import type { Command, Design } from '../../core/document/index.ts';
import type { Repeat } from '../../core/lattice/index.ts';
import { call } from './client.ts';

const LIST = ['designs'];

export function useDesigns() {
  return useQuery({ queryKey: LIST, queryFn: () => call(contract.listDesigns, {}) });
}

/** A design to edit: read anew each time it is opened, and never behind the editor's back. */
export function useDesign(id: string, enabled: boolean) {
  return useQuery({ queryKey: ['design', id], queryFn: () => readDesign(id), gcTime: 0, staleTime: Infinity, enabled });
}

export function readDesign(id: string): Promise<contract.StoredDesign> {
  return call(contract.readDesign, { params: { id } });
}

export function createDesign(
  name: string,
  from: { repeat: Repeat } | { document: Design },
): Promise<contract.StoredDesign> {
  const body = { name, repeat: undefined, document: undefined, ...from };
  return call(contract.createDesign, { body });
}

export function useCreateDesign() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ name, repeat }: { name: string; repeat: Repeat }) => createDesign(name, { repeat }),
    onSuccess: () => client.invalidateQueries({ queryKey: LIST }),
  });
}

export function saveCommands(
  id: string,
  save: string,
  revision: number,
  commands: readonly Command[],
  leaving = false,
): Promise<{ readonly revision: number }> {
  return call(contract.saveDesign, { params: { id }, body: { save, revision, commands } }, leaving);
}

export function readSince(id: string, revision: number, window: string, editing: boolean): Promise<contract.Since> {
  return call(contract.readSince, { params: { id, revision }, query: { window, editing: editing ? '1' : '0' } });
}

/** This window has the design open no longer. Told in passing: a server that does not hear of it finds out by itself. */
export function leaveDesign(id: string, window: string): void {
  call(contract.leaveDesign, { params: { id, window } }, true).catch(() => undefined);
}

/** Deletes a design or restores it. */
export function useDesignRemoval() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, deleted }: { id: string; deleted: boolean }) =>
      call(deleted ? contract.deleteDesign : contract.restoreDesign, { params: { id } }),
    onSuccess: () => client.invalidateQueries({ queryKey: LIST }),
  });
}

/** A small picture of the design's tile, as it was at a revision. */
export function designPictureUrl({ id, revision }: Pick<contract.DesignSummary, 'id' | 'revision'>): string {
  return contract.pathOf(contract.readDesignPicture, { id }, { revision });
}
