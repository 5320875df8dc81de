import { useId, useRef, useState, type KeyboardEvent } from 'react';
import { QuantityError } from '../../core/units/index.ts';

interface Props {
  readonly label: string;
  /** The value as it is written when nobody types. */
  readonly shown: string;
  /** Reads what was typed. @throws QuantityError */
  readonly read: (text: string) => number;
  readonly onChange: (value: number) => void;
  /** The value, for the arrow keys. */
  readonly value: number;
  /** What the arrow keys do, where it is not to set the value and a step. */
  readonly onStep?: (by: number) => void;
  readonly step?: number;
  readonly hideLabel?: boolean;
  readonly disabled?: boolean;
  /** Whether what can be read counts while it is typed, where something beside it shows what comes of it; Escape takes it back. */
  readonly isLive?: boolean;
}

/** What is typed adds to what is there, which it must not do with each letter. */
const ADDS = /^\s*[+\-−–]/;

/** A number that can be typed as a sum with units; arrows step it, Shift by ten, Escape gives it up. */
export function QuantityField({
  label,
  shown,
  read,
  onChange,
  value,
  onStep,
  step = 1,
  hideLabel = false,
  disabled = false,
  isLive = false,
}: Props) {
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState<string>();
  const [problem, setProblem] = useState<string>();
  /** The value that Escape returns to. */
  const before = useRef(value);

  const take = (text: string): boolean => {
    if (text.trim() === shown) {
      setTyped(undefined);
      setProblem(undefined);
      return true;
    }
    try {
      const next = read(text);
      setProblem(undefined);
      setTyped(undefined);
      if (next !== value) onChange(next);
      return true;
    } catch (error) {
      if (!(error instanceof QuantityError)) throw error;
      setProblem(error.message);
      return false;
    }
  };

  const type = (text: string): void => {
    if (typed === undefined) before.current = value;
    setTyped(text);
    if (!isLive || ADDS.test(text)) return;
    try {
      const next = read(text);
      setProblem(undefined);
      if (next !== value) onChange(next);
    } catch (error) {
      // Half a number is no number yet; what is wrong with it is said when the hand leaves.
      if (!(error instanceof QuantityError)) throw error;
    }
  };

  const letGo = (): void => {
    setTyped(undefined);
    setProblem(undefined);
    if (isLive && before.current !== value) onChange(before.current);
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'Enter') {
      // Enter takes the number; a form around it is sent by its own button.
      event.preventDefault();
      if (take(event.currentTarget.value)) queueMicrotask(() => input.current?.select());
    } else if (event.key === 'Escape' && typed !== undefined) {
      event.stopPropagation();
      letGo();
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const by = (event.key === 'ArrowUp' ? 1 : -1) * step * (event.shiftKey ? 10 : 1);
      if (onStep) onStep(by);
      else take(String(Number((value + by).toFixed(6))));
    }
  };

  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'mb-0.5 block text-xs text-graphite'}>
        {label}
      </label>
      <input
        ref={input}
        id={id}
        disabled={disabled}
        className={`h-8 w-full min-w-0 rounded-md border bg-white px-2 text-sm disabled:opacity-45 ${problem ? 'border-madder' : 'border-thread hover:border-graphite'}`}
        value={typed ?? shown}
        autoComplete="off"
        spellCheck={false}
        data-untouched={typed === undefined || undefined}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onFocus={(event) => event.currentTarget.select()}
        onChange={(event) => type(event.target.value)}
        onBlur={() => {
          if (typed !== undefined && !take(typed)) {
            // What cannot be read is let go when the hand leaves, with what could be read of it before.
            letGo();
          }
        }}
        onKeyDown={onKeyDown}
      />
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-xs text-madder">
          {problem}
        </p>
      )}
    </div>
  );
}
