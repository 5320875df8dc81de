import { Radio } from '@headlessui/react';
import type { ReactNode } from 'react';

interface Props {
  readonly value: string;
  /** What happens while it is pointed at: the radio keeps such handlers to itself. */
  readonly look: { readonly onPointerEnter: () => void; readonly onPointerLeave: () => void };
  readonly children: ReactNode;
}

/** One of several steps, in an even grid of them. */
export function StepCard({ value, look, children }: Props) {
  return (
    <div {...look}>
      <Radio
        value={value}
        className="flex h-full cursor-pointer flex-col items-center justify-center gap-1 rounded-md border border-thread bg-white px-0.5 py-2 text-center text-[11px] leading-tight tracking-tight data-checked:border-ink data-checked:ring-1 data-checked:ring-ink"
      >
        {children}
      </Radio>
    </div>
  );
}
