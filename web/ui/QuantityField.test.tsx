// @vitest-environment jsdom
import { act, cleanup, fireEvent, render } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, expect, it } from 'vitest';
import { LengthField } from './LengthField.tsx';

afterEach(cleanup);

let seen: number[];

function Desk({ isLive }: { readonly isLive: boolean }) {
  const [mm, setMm] = useState(50);
  return (
    <LengthField
      label="Width"
      isLive={isLive}
      mm={mm}
      min={5}
      max={500}
      onChange={(next) => {
        seen.push(next);
        setMm(next);
      }}
    />
  );
}

function desk(isLive: boolean) {
  seen = [];
  const { getByLabelText, queryByRole } = render(<Desk isLive={isLive} />);
  const input = getByLabelText('Width') as HTMLInputElement;
  return {
    input,
    problem: () => queryByRole('alert')?.textContent,
    type: (...texts: string[]) => {
      for (const value of texts) act(() => void fireEvent.change(input, { target: { value } }));
    },
    press: (key: string) => act(() => void fireEvent.keyDown(input, { key })),
  };
}

it('takes what is typed with Enter, and before that only where something follows it', () => {
  const plain = desk(false);
  plain.type('1', '12', '120');
  expect(seen).toEqual([]);
  plain.press('Enter');
  expect(seen).toEqual([120]);
  cleanup();
  const live = desk(true);
  live.type('1', '12', '120');
  // One is less than the least, and half a number is no number yet.
  expect(seen).toEqual([12, 120]);
  expect(live.problem()).toBeUndefined();
  expect(live.input.value).toBe('120');
  live.press('Enter');
  expect(seen).toEqual([12, 120]);
  expect(live.input.value).toBe('120 mm');
});

it('Escape returns to what was there before a letter was typed', () => {
  const { input, type, press } = desk(true);
  type('9', '90');
  press('Escape');
  expect(seen).toEqual([9, 90, 50]);
  expect(input.value).toBe('50 mm');
});

it('returns to it as well where the hand leaves what cannot be read', () => {
  const { input, type } = desk(true);
  type('9', '90', '90 bolts');
  act(() => void fireEvent.blur(input));
  expect(seen).toEqual([9, 90, 50]);
  expect(input.value).toBe('50 mm');
});

it('adds what begins with a sign once, when it is typed to its end', () => {
  const { type, press, problem } = desk(true);
  type('+', '+1', '+12');
  expect(seen).toEqual([]);
  press('Enter');
  expect(seen).toEqual([62]);
  type('9000');
  press('Enter');
  expect(problem()).toBe('The maximum is 500 mm.');
  expect(seen).toEqual([62]);
});
