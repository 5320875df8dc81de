import { useQuery } from '@tanstack/react-query';
import * as contract from '../../contract/index.ts';
import { call } from './client.ts';

export const BACKUPS = ['backups'];

/** The backups that were made, the last first. */
export function useBackups() {
  return useQuery({ queryKey: BACKUPS, queryFn: () => call(contract.listBackups, {}) });
}

export function startBackup(): Promise<contract.Job> {
  return call(contract.startBackup, {});
}
