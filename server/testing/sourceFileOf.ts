import { writeFileSync } from 'node:fs';
import { newDraft } from '../store/drafts.ts';
import { type SourceFile, sourceFileAt } from '../store/sourceFile.ts';
import type { Studio } from '../studio.ts';

/** A file of this content, as it lies on the disk when it was sent. */
export async function sourceFileOf({ folder }: Pick<Studio, 'folder'>, content: Uint8Array): Promise<SourceFile> {
  const path = newDraft(folder.drafts);
  writeFileSync(path, content);
  return sourceFileAt(path);
}
