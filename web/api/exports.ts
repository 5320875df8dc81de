import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import type { AnyOrder } from '../../core/export/index.ts';
import { call } from './client.ts';

/** What a file is made of: a design, or a version of a swatch, the newest where missing; in its base unless a colourway is named. */
export type ExportSource = ({ readonly design: string } | { readonly swatch: string; readonly version?: number }) & {
  readonly colourway?: string;
};

export function startExport(source: ExportSource, order: AnyOrder, template: string): Promise<contract.Job> {
  return call(contract.startExport, { body: { ...source, order, template } });
}

/** Each source in each of the orders, as one ZIP. */
export function startBatch(
  sources: readonly ExportSource[],
  orders: readonly AnyOrder[],
  template: string,
): Promise<contract.Job> {
  return call(contract.startBatch, { body: { sources, orders, template } });
}

const PRESETS = ['export-presets'];

export function usePresets() {
  return useQuery({ queryKey: PRESETS, queryFn: () => call(contract.listPresets, {}) });
}

type PresetMutation = { readonly save: Omit<contract.ExportPreset, 'id'> } | { readonly remove: string };

/** Saves or deletes a choice of formats and sizes. */
export function usePresetMutation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (mutation: PresetMutation): Promise<contract.ExportPreset | undefined> => {
      if ('save' in mutation) return call(contract.savePreset, { body: mutation.save });
      await call(contract.deletePreset, { params: { id: mutation.remove } });
      return undefined;
    },
    onSuccess: () => client.invalidateQueries({ queryKey: PRESETS }),
  });
}
