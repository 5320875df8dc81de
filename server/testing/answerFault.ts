/** What schemas, databases and parsers say of themselves, and what people never should read. */
const JARGON =
  /must be|must match|ValidationError|NaN|undefined|: this |syntax for type|out of range for type|Cannot read|\.\.(?!\.)|`/;

interface Answer {
  readonly status: number;
  readonly type: string;
  readonly body: Readonly<Record<string, unknown>>;
}

/**
 * Says what is wrong with an answer.
 * @param isFitting whether what was sent fits the contract's description
 * @returns nothing where it is as it should be
 */
export function answerFault({ status, type, body }: Answer, isFitting: boolean): string | undefined {
  if (status >= 500 && status !== 502) return 'it broke';
  if (status < 400) return undefined;
  if (isFitting && status === 400) return 'it fits the description, and was called malformed';
  if (!type.startsWith('application/problem+json')) return `it is ${type}`;
  const detail = String(body['detail']);
  if (!/^[\p{Lu}“\d].*[.]$/su.test(detail)) return 'it is not a sentence';
  return JARGON.test(detail.replace(/“[^”]*”/g, '')) ? 'it speaks of schemas' : undefined;
}
