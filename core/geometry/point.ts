/** A place or a displacement, y downwards; millimetres unless said otherwise. */
export interface Point {
  readonly x: number;
  readonly y: number;
}
