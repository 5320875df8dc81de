import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import type { DesignMotif } from '../../contract/index.ts';
import { blobUrl } from '../api/client.ts';
import { useMotifPages } from '../api/motifs.ts';
import { useMoreInSight } from './useMoreInSight.ts';
import { TEXTS } from './texts.ts';

export interface MotifFieldProps {
  readonly label: string;
  /** What it says while nothing is typed; nothing stays picked. */
  readonly prompt: string;
  /** Motifs that are not offered. */
  readonly without?: ReadonlySet<string>;
  readonly onPick: (motif: DesignMotif) => void;
}

/** Picks one motif of the whole drawer: by typing some of its name, or from the list. */
export function MotifField({ label, prompt, without, onPick }: MotifFieldProps) {
  const [words, setWords] = useState('');
  return (
    <Combobox
      immediate
      value={null}
      onChange={(motif: DesignMotif | null) => {
        if (motif) onPick(motif);
      }}
      onClose={() => setWords('')}
    >
      <ComboboxInput
        aria-label={label}
        placeholder={prompt}
        displayValue={() => ''}
        onChange={(event) => setWords(event.target.value)}
        className="h-8 w-full min-w-0 rounded-md border border-thread bg-white px-2 text-sm placeholder:text-ink"
      />
      <ComboboxOptions
        anchor="bottom start"
        className="z-50 max-h-72 w-64 overflow-y-auto rounded-md border border-thread bg-white p-1 text-sm shadow-lg [--anchor-gap:4px]"
      >
        <Offered words={words} without={without} />
      </ComboboxOptions>
    </Combobox>
  );
}

function Offered({ words, without }: { readonly words: string; readonly without: ReadonlySet<string> | undefined }) {
  const pages = useMotifPages({ words: words.trim(), order: 'used' });
  const end = useMoreInSight(pages);
  const offered = (pages.motifs ?? []).filter(({ id }) => !without?.has(id));
  return (
    <>
      {offered.map((motif) => (
        <ComboboxOption
          key={motif.id}
          value={motif}
          className="flex cursor-pointer items-center gap-2 rounded px-2 py-1 data-focus:bg-linen"
        >
          <img src={blobUrl(motif.thumbnail)} alt="" loading="lazy" className="h-7 w-7 shrink-0 motif-thumb" />
          <span className="truncate">{motif.name}</span>
        </ComboboxOption>
      ))}
      {offered.length === 0 && pages.motifs && (
        <p className="px-2 py-1 text-graphite">
          {words.trim() ? TEXTS.noMotifMatchesWords(words.trim()) : TEXTS.noMotif}
        </p>
      )}
      <span ref={end} />
    </>
  );
}
