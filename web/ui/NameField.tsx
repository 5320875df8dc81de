import { useState } from 'react';

interface Props {
  readonly label: string;
  readonly name: string;
  readonly onRename: (name: string) => void;
  readonly className: string;
  /** Letters to be wide; as wide as its place where missing. */
  readonly size?: number;
}

/** A name that is changed where it stands: Enter or leaving takes it, Escape gives it up, an empty one is none. */
export function NameField({ label, name, onRename, className, size }: Props) {
  const [typed, setTyped] = useState<string>();
  const take = (): void => {
    const next = (typed ?? '').trim();
    if (next && next !== name) onRename(next);
    setTyped(undefined);
  };
  return (
    <input
      aria-label={label}
      title={name}
      value={typed ?? name}
      maxLength={120}
      size={size}
      spellCheck={false}
      autoComplete="off"
      onChange={(event) => setTyped(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setTyped(undefined);
      }}
      className={`min-w-0 truncate rounded-md border px-1.5 focus:bg-white ${className}`}
    />
  );
}
