import { type ReactNode, useMemo } from 'react';
import type { Hex } from '../../../../core/colour/index.ts';
import { inkResolver } from '../../../../core/document/index.ts';
import { AmountField } from '../../../ui/AmountField.tsx';
import { InkField } from '../../../ui/InkField.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly label?: string;
  readonly ink: Hex;
  readonly onChange: (ink: Hex) => void;
}

/** One of the design's inks, in the colour that it has now, or a new one. */
export function DesignInkField({ label = TEXTS.ink, ink, onChange }: Props) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const colourway = useStore(editor.colourwayId);
  const seenAs = useMemo(() => inkResolver(design, colourway), [design, colourway]);
  const offered = design.inks.flatMap(({ prints }) => prints.slice(0, 1));
  return <InkField label={label} ink={ink} offered={offered} seenAs={seenAs} onChange={onChange} />;
}

/** What is drawn in, how far it covers what lies below, and how wide it is. */
export function InkFields({
  ink,
  opacity,
  children,
  onChange,
}: {
  readonly ink: Hex;
  readonly opacity: number;
  /** The field of the width. */
  readonly children: ReactNode;
  readonly onChange: (part: { readonly ink: Hex } | { readonly opacity: number }) => void;
}) {
  return (
    <>
      <DesignInkField ink={ink} onChange={(next) => onChange({ ink: next })} />
      <div className="grid grid-cols-2 gap-2">
        {children}
        <AmountField
          label={TEXTS.opacity}
          sign="%"
          value={100 * opacity}
          min={0}
          max={100}
          step={5}
          onChange={(percent) => onChange({ opacity: percent / 100 })}
        />
      </div>
    </>
  );
}
