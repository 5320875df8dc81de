import { join } from 'node:path';
import type { CheckOutcome, ReadBackTask } from '../work/checkStudioTask.ts';
import { unpackBackup } from './archive.ts';
import { checkStudio } from './checkStudio.ts';

/** Opens a backup as if it were restored and says what is damaged. To be called in a process of the pool. @throws BackupError where it cannot be unpacked */
export async function readBack({ archive, folder }: ReadBackTask): Promise<CheckOutcome> {
  await unpackBackup(archive, folder);
  return checkStudio({ kind: 'check-studio', database: join(folder, 'database'), blobs: join(folder, 'blobs') });
}
