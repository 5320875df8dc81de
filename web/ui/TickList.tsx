import { Tick } from './Tick.tsx';

interface Props {
  readonly label: string;
  readonly options: readonly { readonly id: string; readonly name: string }[];
  /** The ids of those that are ticked. */
  readonly ticked: readonly string[];
  readonly onChange: (ticked: string[]) => void;
}

/** Any number out of several. */
export function TickList({ label, options, ticked, onChange }: Props) {
  return (
    <fieldset>
      <legend className="text-xs text-graphite">{label}</legend>
      <div className="flex max-h-28 flex-wrap gap-x-5 overflow-y-auto">
        {options.map(({ id, name }) => (
          <Tick
            key={id}
            label={name}
            on={ticked.includes(id)}
            onChange={(on) => onChange(on ? [...ticked, id] : ticked.filter((other) => other !== id))}
          />
        ))}
      </div>
    </fieldset>
  );
}
