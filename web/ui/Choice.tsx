import { Radio, RadioGroup } from '@headlessui/react';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly name: string }[];
  readonly onChange: (value: T) => void;
}

/** One of a few, all of them in sight. */
export function Choice<T extends string>({ label, value, options, onChange }: Props<T>) {
  return (
    <RadioGroup value={value} onChange={onChange} aria-label={label} className="flex gap-1">
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
