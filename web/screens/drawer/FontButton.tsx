import { Plus } from 'lucide-react';
import { useRef } from 'react';
import { Button } from '../../ui/Button.tsx';
import { TEXTS } from './texts.ts';

/** The button that picks a font's file. */
export function FontButton({ label, onFile }: { readonly label: string; readonly onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button className="h-7! px-2! text-xs!" onClick={() => input.current?.click()}>
        <Plus size={13} aria-hidden /> {label}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={TEXTS.fontFile}
        accept=".ttf,.otf,.woff2,font/ttf,font/otf,font/woff2"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </>
  );
}
