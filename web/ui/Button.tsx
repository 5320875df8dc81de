import type { ButtonHTMLAttributes, ReactNode } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: 'plain' | 'accent' | 'quiet';
  /** The name of a button that shows only a picture; shown on hover too. */
  readonly label?: string;
  readonly pressed?: boolean;
  readonly children: ReactNode;
}

const LOOKS = {
  plain: 'border border-thread bg-white text-ink hover:border-graphite',
  accent: 'border border-madder bg-madder text-white hover:bg-madder-dark',
  quiet: 'border border-transparent text-ink hover:bg-linen',
} as const;

/** A button of 32 px; `accent` is for the one thing to do next. */
export function Button({ look = 'plain', label, pressed, className = '', children, ...rest }: Props) {
  const held = pressed ? 'bg-ink! text-white! border-ink!' : '';
  const shape = label ? 'w-8' : 'px-3';
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={pressed}
      className={`inline-flex h-8 shrink-0 items-center justify-center gap-1.5 rounded-md text-sm font-medium whitespace-nowrap disabled:cursor-not-allowed disabled:opacity-45 ${shape} ${LOOKS[look]} ${held} ${className}`}
      {...rest}
    >
      {children}
    </button>
  );
}
