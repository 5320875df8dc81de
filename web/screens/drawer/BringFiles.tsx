import { Upload } from 'lucide-react';
import { useRef } from 'react';
import { Button } from '../../ui/Button.tsx';
import { ACCEPTED } from './files.ts';
import { useImports } from './imports.ts';
import { TEXTS } from './texts.ts';

/** The button that picks files. */
export function BringFiles({ collection }: { readonly collection?: string | undefined }) {
  const { bringFiles } = useImports();
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => input.current?.click()}>
        <Upload size={15} aria-hidden /> {TEXTS.importFiles}
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        hidden
        accept={ACCEPTED}
        onChange={(event) => {
          bringFiles([...(event.target.files ?? [])], collection === undefined ? {} : { collection });
          event.target.value = '';
        }}
      />
    </>
  );
}
