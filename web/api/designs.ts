import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Command, Design } from '../../core/document/index.ts';
import type { Repeat } from '../../core/lattice/index.ts';
import { call } from './client.ts';

export interface DesignSummary extends Pick<Design, 'id' | 'name' | 'repeat'> {
  readonly revision: number;
  readonly motifs: number;
  readonly updatedAt: string;
}

export interface OpenDesign {
  readonly design: Design;
  readonly revision: number;
}

const LIST = ['designs'];

export function useDesigns() {
  return useQuery({ queryKey: LIST, queryFn: () => call<DesignSummary[]>('GET', '/designs') });
}

/** A design to edit: read anew each time it is opened, and never behind the editor's back. */
export function useDesign(id: string, enabled: boolean) {
  return useQuery({ queryKey: ['design', id], queryFn: () => readDesign(id), gcTime: 0, staleTime: Infinity, enabled });
}

export function readDesign(id: string): Promise<OpenDesign> {
  return call<OpenDesign>('GET', `/designs/${id}`);
}

export function createDesign(name: string, from: { repeat: Repeat } | { document: Design }): Promise<OpenDesign> {
  return call<OpenDesign>('POST', '/designs', { name, ...from });
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
): Promise<{ revision: number }> {
  return call<{ revision: number }>('PATCH', `/designs/${id}`, { save, revision, commands }, leaving);
}

/** What was done to a design since a revision, and which other windows have it open. */
export interface Since {
  readonly revision: number;
  /** Oldest first; null where the server does not know them any more. */
  readonly saves: readonly { readonly save: string; readonly commands: readonly Command[] }[] | null;
  readonly others: readonly { readonly editing: boolean }[];
}

export function readSince(id: string, revision: number, window: string, editing: boolean): Promise<Since> {
  return call<Since>('GET', `/designs/${id}/since/${revision}?window=${window}&editing=${editing ? 1 : 0}`);
}

/** This window has the design open no longer. Told in passing: a server that does not hear of it finds out by itself. */
export function leaveDesign(id: string, window: string): void {
  navigator.sendBeacon(`/api/designs/${id}/windows/${window}/left`);
}

/** Puts a design away or brings it back. */
export function useDesignRemoval() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, deleted }: { id: string; deleted: boolean }) =>
      deleted ? call<undefined>('DELETE', `/designs/${id}`) : call<undefined>('POST', `/designs/${id}/restore`),
    onSuccess: () => client.invalidateQueries({ queryKey: LIST }),
  });
}

/** A small picture of the design's straight unit, as it was at a revision. */
export function designPictureUrl({ id, revision }: Pick<DesignSummary, 'id' | 'revision'>): string {
  return `/api/designs/${id}/picture?revision=${revision}`;
}
