import { Upload } from 'lucide-react';
import { useRef } from 'react';
import { useImportPacks } from '../../api/packs.ts';
import { Button } from '../../ui/Button.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** The button that takes packs and designs from elsewhere, several at once. */
export function ImportPacks() {
  const input = useRef<HTMLInputElement>(null);
  const packs = useImportPacks();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const take = async (files: readonly File[]): Promise<void> => {
    let [swatches, designs, failed] = [0, 0, 0];
    for (const file of files) {
      try {
        const taken = await packs.mutateAsync(file);
        swatches += taken.swatches.length;
        designs += taken.designs.length;
      } catch (error) {
        failed += 1;
        notifyProblem(new Error(TEXTS.fileProblem(file.name, error instanceof Error ? error.message : String(error))));
      }
    }
    if (failed < files.length) notify({ text: TEXTS.imported(swatches, designs) });
  };
  return (
    <>
      <Button onClick={() => input.current?.click()} disabled={packs.isPending}>
        <Upload size={15} aria-hidden /> {packs.isPending ? TEXTS.importing : TEXTS.importPacks}
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        hidden
        accept=".zip,.json,application/zip,application/json"
        aria-label={TEXTS.importPacks}
        onChange={(event) => {
          void take([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
    </>
  );
}
