/** What a unit is worth in the base unit, by every spelling a person may type. */
export type UnitTable = Readonly<Record<string, number>>;

/** Thrown when typed text is no quantity; the message is a sentence for the person who typed it. */
export class QuantityError extends Error {}

/** A number that either carries a unit already (`scaled`) or still waits for one. */
interface Quantity {
  readonly value: number;
  readonly scaled: boolean;
}

type Token =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'fraction'; readonly value: number }
  | { readonly kind: 'unit'; readonly factor: number; readonly text: string }
  | { readonly kind: 'sign'; readonly text: string };

const SPELLINGS: readonly (readonly [RegExp, string])[] = [
  [/½/g, ' 1/2'],
  [/¼/g, ' 1/4'],
  [/¾/g, ' 3/4'],
  [/⅓/g, ' 1/3'],
  [/⅔/g, ' 2/3'],
  [/[−–]/g, '-'],
  [/[×·]/g, '*'],
  [/÷/g, '/'],
  [/[″”“]/g, '"'],
];

/** A whole number and a fraction, or a fraction alone that a unit follows: `2 1/2`, `1/2 in`. */
const MIXED = /^(\d+)\s+(\d+)\/(\d+)(?![\d.,])/;
const FRACTION_WITH_UNIT = /^(\d+)\/(\d+)(?=\s*[a-z"°%])/i;
const NUMBER = /^(?:\d+(?:[.,]\d+)?|[.,]\d+)/;
const UNIT = /^(?:[a-z]+|["°%])/i;

function tokens(text: string, units: UnitTable): Token[] {
  const tokens: Token[] = [];
  let rest = SPELLINGS.reduce((s, [from, to]) => s.replace(from, to), text).trim();
  while (rest !== '') {
    const mixed = MIXED.exec(rest);
    const fraction = mixed ? null : FRACTION_WITH_UNIT.exec(rest);
    const number = mixed || fraction ? null : NUMBER.exec(rest);
    const unit = UNIT.exec(rest);
    let length: number;
    if (mixed) {
      tokens.push({ kind: 'fraction', value: Number(mixed[1]) + divide(Number(mixed[2]), Number(mixed[3])) });
      length = mixed[0].length;
    } else if (fraction) {
      tokens.push({ kind: 'fraction', value: divide(Number(fraction[1]), Number(fraction[2])) });
      length = fraction[0].length;
    } else if (number) {
      tokens.push({ kind: 'number', value: Number(number[0].replace(',', '.')) });
      length = number[0].length;
    } else if (unit) {
      // Not what every object has, such as “constructor”.
      const name = unit[0].toLowerCase();
      const factor = Object.hasOwn(units, name) ? units[name] : undefined;
      if (factor === undefined) {
        const known = Object.keys(units).filter((name) => /^[a-z]+$/.test(name));
        throw new QuantityError(`“${unit[0]}” is not a unit here${known.length ? `; use ${known.join(', ')}` : ''}.`);
      }
      tokens.push({ kind: 'unit', factor, text: unit[0] });
      length = unit[0].length;
    } else if ('+-*/()'.includes(rest[0] as string)) {
      tokens.push({ kind: 'sign', text: rest[0] as string });
      length = 1;
    } else {
      throw new QuantityError(`“${rest[0]}” cannot be read as part of a number.`);
    }
    rest = rest.slice(length).trimStart();
  }
  return tokens;
}

function divide(over: number, under: number): number {
  if (under === 0) throw new QuantityError('This divides by zero.');
  return over / under;
}

/**
 * Works out a typed sum: numbers with or without units, `+ - * /`, brackets, mixed fractions.
 *
 * @param text what was typed
 * @param units factors to the base unit
 * @param standing factor of the unit that a bare number is meant in
 * @returns the value in the base unit, finite
 * @throws QuantityError with a sentence when the text is no quantity
 */
export function evaluate(text: string, units: UnitTable, standing: number): number {
  const list = tokens(text, units);
  if (list.length === 0) throw new QuantityError('Type a number.');
  let at = 0;

  const peekSign = (): string => {
    const token = list[at];
    return token?.kind === 'sign' ? token.text : '';
  };
  const settle = (q: Quantity): number => (q.scaled ? q.value : q.value * standing);

  const atom = (): Quantity => {
    const token = list[at];
    if (!token) throw new QuantityError('The sum ends too early.');
    at += 1;
    if (token.kind === 'number' || token.kind === 'fraction') {
      const unit = list[at];
      if (unit?.kind !== 'unit') return { value: token.value, scaled: false };
      at += 1;
      return { value: token.value * unit.factor, scaled: true };
    }
    if (token.kind === 'sign' && token.text === '-') {
      const q = atom();
      return { ...q, value: -q.value };
    }
    if (token.kind === 'sign' && token.text === '+') return atom();
    if (token.kind === 'sign' && token.text === '(') {
      const q = sum();
      if (peekSign() !== ')') throw new QuantityError('A bracket is not closed.');
      at += 1;
      const unit = list[at];
      if (unit?.kind !== 'unit') return q;
      if (q.scaled) throw new QuantityError('A unit stands twice.');
      at += 1;
      return { value: q.value * unit.factor, scaled: true };
    }
    if (token.kind === 'unit') throw new QuantityError(`“${token.text}” needs a number before it.`);
    throw new QuantityError(`“${token.text}” is out of place.`);
  };

  const product = (): Quantity => {
    let left = atom();
    for (let sign = peekSign(); sign === '*' || sign === '/'; sign = peekSign()) {
      at += 1;
      const right = atom();
      if (right.scaled && (left.scaled || sign === '/')) {
        throw new QuantityError('Multiply and divide by plain numbers, without a unit.');
      }
      left =
        sign === '*'
          ? { value: left.value * right.value, scaled: left.scaled || right.scaled }
          : { value: divide(left.value, right.value), scaled: left.scaled };
    }
    return left;
  };

  const sum = (): Quantity => {
    let left = product();
    for (let sign = peekSign(); sign === '+' || sign === '-'; sign = peekSign()) {
      at += 1;
      const right = product();
      const mixed = left.scaled !== right.scaled;
      const l = mixed ? settle(left) : left.value;
      const r = mixed ? settle(right) : right.value;
      left = { value: sign === '+' ? l + r : l - r, scaled: left.scaled || right.scaled };
    }
    return left;
  };

  const result = settle(sum());
  if (at < list.length) throw new QuantityError('There is something left over after the number.');
  if (!Number.isFinite(result)) throw new QuantityError('That number is too large.');
  return result;
}
