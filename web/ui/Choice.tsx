import { Radio, RadioGroup } from '@headlessui/react';
import type { LucideIcon } from 'lucide-react';
import { evenColumns, ROOMS } from './evenColumns.ts';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  /** Either all have an icon, which stands above the name, or none. */
  readonly options: readonly { readonly value: T; readonly name: string; readonly Icon?: LucideIcon }[];
  readonly onChange: (value: T) => void;
  /** Whether the label stands above it. */
  readonly captioned?: boolean;
  /** Whether it takes the width of a wide dialog. */
  readonly isWide?: boolean;
}

/** With icons, so many stand in a row. */
const PICTURED = 5;

/** One of a few, all of them in sight in an even grid. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  captioned = false,
  isWide = false,
}: Props<T>) {
  const isPictured = options.some(({ Icon }) => Icon);
  const columns = isPictured
    ? PICTURED
    : evenColumns(
        options.map(({ name }) => name),
        ROOMS[isWide ? 'dialog' : 'ticket'],
      );
  return (
    <RadioGroup
      value={value}
      onChange={onChange}
      aria-label={label}
      className="grid gap-1"
      style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}
    >
      {captioned && (
        <span aria-hidden className="col-span-full -mb-0.5 text-xs text-graphite">
          {label}
        </span>
      )}
      {options.map(({ value: one, name, Icon }) => (
        <Radio
          key={one}
          value={one}
          className={`grid cursor-pointer place-items-center rounded-md border border-thread bg-white px-0.5 text-center data-checked:border-ink data-checked:ring-1 data-checked:ring-ink ${Icon ? 'h-14 content-center gap-1 text-[11px] leading-none' : 'h-8 text-sm'}`}
        >
          {Icon && <Icon size={17} aria-hidden />}
          {name}
        </Radio>
      ))}
    </RadioGroup>
  );
}
