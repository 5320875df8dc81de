import { ArrowUpRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import type { PatternSource } from '../../../core/tryon/index.ts';
import { useDesigns } from '../../api/designs.ts';
import { useSwatches } from '../../api/swatches.ts';
import type { Pattern } from '../../api/tryOns.ts';
import { fromTryOn } from '../../ui/origin.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly source: PatternSource;
  /** As it is now, if it is there. */
  readonly pattern: Pattern | undefined;
  readonly isMissing: boolean;
  readonly onChange: (source: PatternSource) => void;
}

/** Which design or swatch, which version of it, and in which colourway. */
export function SourceFields({ source, pattern, isMissing, onChange }: Props) {
  const { id: tryOn = '' } = useParams();
  const designs = useDesigns();
  const swatches = useSwatches();
  const { design, swatch, version, colourway } = source;
  const newest = swatches.data?.find(({ id }) => id === swatch)?.newest;
  const colourways = pattern?.pattern?.design.colourways ?? [];
  // Told of the design itself, whose base is the colourway it is shown in.
  const base = colourways[0]?.id;
  return (
    <>
      <Picker
        label={TEXTS.pattern}
        value={design === undefined ? `swatch ${swatch}` : `design ${design}`}
        onChange={(value) => {
          const [kind, id = ''] = value.split(' ');
          onChange(kind === 'design' ? { design: id } : { swatch: id });
        }}
      >
        {isMissing && <option value={design === undefined ? `swatch ${swatch}` : `design ${design}`}>–</option>}
        <optgroup label={TEXTS.designs}>
          {designs.data?.map(({ id, name }) => (
            <option key={id} value={`design ${id}`}>
              {name}
            </option>
          ))}
        </optgroup>
        <optgroup label={TEXTS.swatches}>
          {swatches.data?.map(({ id, name }) => (
            <option key={id} value={`swatch ${id}`}>
              {name}
            </option>
          ))}
        </optgroup>
      </Picker>
      {!isMissing && (
        <Link
          to={design === undefined ? `/swatches/${swatch}` : `/designs/${design}`}
          state={fromTryOn(tryOn)}
          className="inline-flex items-center gap-1.5 justify-self-start text-sm underline-offset-2 hover:underline"
        >
          {design === undefined ? TEXTS.openTheSwatch : TEXTS.openTheDesign}
          <ArrowUpRight size={14} aria-hidden />
        </Link>
      )}
      {isMissing && (
        <p role="alert" className="text-xs text-madder">
          {TEXTS.missing}
        </p>
      )}
      {swatch !== undefined && newest !== undefined && (
        <Picker
          label={TEXTS.version}
          value={version === undefined ? '' : String(version)}
          onChange={(value) => onChange({ ...source, version: value === '' ? undefined : Number(value) })}
        >
          <option value="">{TEXTS.newest(newest)}</option>
          {Array.from({ length: newest }, (_, n) => newest - n).map((number) => (
            <option key={number} value={number}>
              {TEXTS.versionN(number)}
            </option>
          ))}
        </Picker>
      )}
      {colourways.length > 1 && (
        <Picker
          label={TEXTS.colourway}
          value={colourway ?? base ?? ''}
          onChange={(id) => onChange({ ...source, colourway: id })}
        >
          {[...colourways]
            .sort((a, b) => a.name.localeCompare(b.name))
            .map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
        </Picker>
      )}
    </>
  );
}

interface PickerProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly children: ReactNode;
}

function Picker({ label, value, onChange, children }: PickerProps) {
  return (
    <div>
      <span aria-hidden className="mb-0.5 block text-xs text-graphite">
        {label}
      </span>
      <select
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="h-8 w-full rounded-md border border-thread bg-white px-1.5 text-sm hover:border-graphite"
      >
        {children}
      </select>
    </div>
  );
}
