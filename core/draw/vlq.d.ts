// The package has types, but does not say where they are in the way that is asked for here.
declare module 'vlq' {
  /** Numbers as variable-length quantities in base 64. */
  export function encode(values: readonly number[]): string;
  /** @throws Error where the text holds anything else */
  export function decode(text: string): number[];
}
