import type { Ink } from '../../../../../core/document/index.ts';

interface Props {
  readonly label: string;
  readonly inks: readonly Ink[];
  readonly value: string;
  /** What it says where there is none. */
  readonly none?: string;
  readonly onChange: (ink: string) => void;
}

/** One of the design's inks. */
export function InkSelect({ label, inks, value, none, onChange }: Props) {
  return (
    <label className="grid grid-cols-1 gap-0.5 text-xs text-graphite">
      {label}
      <select
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="h-8 min-w-0 rounded-md border border-thread bg-white px-2 text-sm text-ink"
      >
        {none !== undefined && <option value="">{none}</option>}
        {inks.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
