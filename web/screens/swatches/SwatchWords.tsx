import { useState } from 'react';
import type { SwatchSummary } from '../../../contract/index.ts';
import { useSwatchMutation } from '../../api/swatches.ts';
import { NameField } from '../../ui/NameField.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

/** A swatch's name, book, tags and notes, each changed where it stands. */
export function SwatchWords({ swatch }: { readonly swatch: SwatchSummary }) {
  const { id, name, book, tags, notes } = swatch;
  const change = useSwatchMutation();
  const notifyProblem = useNotifyProblem();
  const set = (details: Partial<SwatchSummary>): void =>
    change.mutate({ id, details, tagsWere: details.tags && tags }, { onError: notifyProblem });
  const sent = change.isPending && 'details' in change.variables ? change.variables.details : {};
  return (
    <div className="grid gap-2">
      <NameField
        label={TEXTS.nameOfTheSwatch}
        name={sent.name ?? name}
        onRename={(next) => set({ name: next })}
        className="-mx-1.5 h-9 w-full border-transparent bg-transparent font-name text-lg font-semibold hover:border-thread"
      />
      <Words label={TEXTS.book} value={sent.book ?? book} onChange={(text) => set({ book: text })} />
      <Words
        label={TEXTS.tags}
        value={(sent.tags ?? tags).join(', ')}
        onChange={(text) =>
          set({
            tags: [
              ...new Set(
                text
                  .split(',')
                  .map((tag) => tag.trim())
                  .filter(Boolean),
              ),
            ],
          })
        }
      />
      <Words label={TEXTS.notes} value={sent.notes ?? notes} onChange={(text) => set({ notes: text })} long />
    </div>
  );
}

interface WordsProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly long?: boolean;
}

/** A line, or several, taken once the hand leaves it. */
function Words({ label, value, onChange, long = false }: WordsProps) {
  const [typed, setTyped] = useState<string>();
  const take = (): void => {
    if (typed !== undefined && typed.trim() !== value) onChange(typed.trim());
    setTyped(undefined);
  };
  const shared = {
    value: typed ?? value,
    onChange: (event: { readonly target: { readonly value: string } }) => setTyped(event.target.value),
    onBlur: take,
    className: 'w-full rounded-md border border-thread bg-white px-2 text-sm hover:border-graphite',
  };
  return (
    <label className="block">
      <span className="mb-0.5 block text-xs text-graphite">{label}</span>
      {long ? (
        <textarea {...shared} rows={2} maxLength={5000} className={`${shared.className} py-1`} />
      ) : (
        <input
          {...shared}
          maxLength={120}
          className={`${shared.className} h-8`}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
        />
      )}
    </label>
  );
}
