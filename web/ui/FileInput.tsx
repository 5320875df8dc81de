import type { RefObject } from 'react';

interface Props {
  readonly at: RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** Lets a file be chosen; shown by nothing, and opened by a button. */
export function FileInput({ at, label, accept, onFile }: Props) {
  return (
    <input
      ref={at}
      type="file"
      aria-label={label}
      accept={accept}
      className="hidden"
      onChange={({ currentTarget }) => {
        const [chosen] = currentTarget.files ?? [];
        if (chosen) onFile(chosen);
        // The same file can be chosen again.
        currentTarget.value = '';
      }}
    />
  );
}
