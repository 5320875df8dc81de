import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { ExportPreset } from '../../../contract/index.ts';
import type { AnyOrder } from '../../../core/export/index.ts';
import { usePresetMutation, usePresets } from '../../api/exports.ts';
import { Button } from '../../ui/Button.tsx';
import { useNotify, useNotifyProblem } from '../../ui/Notices.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly orders: readonly AnyOrder[];
  readonly template: string;
  readonly onTake: (preset: ExportPreset) => void;
}

/** Choices that were saved under a name, and a way to save these. */
export function PresetBar({ orders, template, onTake }: Props) {
  const presets = usePresets();
  const mutation = usePresetMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const [taken, setTaken] = useState('');
  const [name, setName] = useState<string>();
  const all = presets.data ?? [];
  const save = (): void => {
    const wished = (name ?? '').trim();
    if (wished === '') return;
    mutation.mutate(
      { save: { name: wished, orders, template } },
      {
        onSuccess: (saved) => {
          setName(undefined);
          if (saved) setTaken(saved.id);
        },
        onError: notifyProblem,
      },
    );
  };
  const remove = (): void => {
    const gone = all.find(({ id }) => id === taken);
    if (!gone) return;
    const { id: _, ...preset } = gone;
    mutation.mutate(
      { remove: taken },
      {
        onSuccess: () =>
          notify({
            text: TEXTS.presetDeleted(gone.name),
            action: { label: TEXTS.undo, run: () => mutation.mutate({ save: preset }) },
          }),
        onError: notifyProblem,
      },
    );
  };
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      {all.length > 0 && (
        <select
          aria-label={TEXTS.presets}
          value={taken}
          onChange={({ target: { value } }) => {
            setTaken(value);
            const preset = all.find(({ id }) => id === value);
            if (preset) onTake(preset);
          }}
          className="h-8 max-w-60 rounded-md border border-thread bg-white px-2"
        >
          <option value="">{TEXTS.presets}</option>
          {all.map((preset) => (
            <option key={preset.id} value={preset.id}>
              {preset.name}
            </option>
          ))}
        </select>
      )}
      {all.some(({ id }) => id === taken) && (
        <Button look="quiet" label={TEXTS.deletePreset} onClick={remove}>
          <Trash2 size={15} aria-hidden />
        </Button>
      )}
      {name === undefined ? (
        <Button look="quiet" onClick={() => setName('')}>
          {TEXTS.saveAsPreset}
        </Button>
      ) : (
        <>
          <input
            autoFocus
            aria-label={TEXTS.presetName}
            placeholder={TEXTS.presetName}
            value={name}
            maxLength={120}
            onChange={(event) => setName(event.target.value)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter') return;
              event.preventDefault();
              save();
            }}
            className="h-8 w-56 rounded-md border border-thread bg-white px-2"
          />
          <Button onClick={save} disabled={name.trim() === ''}>
            {TEXTS.save}
          </Button>
        </>
      )}
    </div>
  );
}
