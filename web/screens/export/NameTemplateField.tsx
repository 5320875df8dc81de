import { useState } from 'react';
import { ValidationError } from 'yup';
import { type AnyOrder, orderFileName, TEMPLATE_FIELDS, templateSchema } from '../../../core/export/index.ts';
import type { Subject } from './subject.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly template: string;
  readonly subject: Subject;
  readonly order: AnyOrder;
  readonly onChange: (template: string) => void;
}

function wrongWith(template: string): string | undefined {
  try {
    templateSchema.validateSync(template, { strict: true });
    return undefined;
  } catch (error) {
    if (error instanceof ValidationError) return template === '' ? TEXTS.nameNeeded : TEXTS.unknownField;
    throw error;
  }
}

/** What files are called, with the name that this comes to. */
export function NameTemplateField({ template, subject, order, onChange }: Props) {
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? template;
  const wrong = wrongWith(shown);
  const [date] = useState(() => new Date().toISOString().slice(0, 10));
  const name = orderFileName(template, subject.repeat, order, { name: subject.name, date, number: 1 });
  const set = (text: string): void => {
    const isTaken = wrongWith(text) === undefined;
    setTyped(isTaken ? undefined : text);
    if (isTaken) onChange(text);
  };
  return (
    <div className="grid gap-1 text-sm">
      <label className="grid gap-0.5 text-xs text-graphite">
        {TEXTS.fileName}
        <input
          value={shown}
          maxLength={120}
          spellCheck={false}
          autoComplete="off"
          aria-invalid={wrong !== undefined}
          onChange={(event) => set(event.target.value)}
          className="h-8 rounded-md border border-thread bg-white px-2 text-sm text-ink"
        />
      </label>
      <div className="flex flex-wrap items-center gap-1 text-xs text-graphite">
        {TEMPLATE_FIELDS.map((field) => (
          <button
            key={field}
            type="button"
            onClick={() => set(`${shown} {${field}}`.trim())}
            className="rounded border border-thread bg-white px-1.5 py-0.5 hover:border-graphite"
          >
            {TEXTS.nameFields[field]}
          </button>
        ))}
        {wrong === undefined ? (
          <span className="ml-auto truncate text-ink" data-file-name>
            {name}
          </span>
        ) : (
          <span role="alert" className="ml-auto text-madder">
            {wrong}
          </span>
        )}
      </div>
    </div>
  );
}
