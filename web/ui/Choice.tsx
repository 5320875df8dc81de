import { Radio, RadioGroup } from '@headlessui/react';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly name: string }[];
  readonly onChange: (value: T) => void;
  /** Whether the label stands above it. */
  readonly captioned?: boolean;
}

/** One of a few, all of them in sight. */
export function Choice<T extends string>({ label, value, options, onChange, captioned = false }: Props<T>) {
  return (
    <RadioGroup value={value} onChange={onChange} aria-label={label} className="flex flex-wrap gap-1">
      {captioned && (
        <span aria-hidden className="-mb-0.5 w-full text-xs text-graphite">
          {label}
        </span>
      )}
      {options.map(({ value: one, name }) => (
        <Radio
          key={one}
          value={one}
          className="grid h-8 grow cursor-pointer place-items-center rounded-md border border-thread bg-white px-0.5 text-sm data-checked:border-ink data-checked:ring-1 data-checked:ring-ink"
        >
          {name}
        </Radio>
      ))}
    </RadioGroup>
  );
}
