/** The same angle above -180 and up to 180 degrees, without a sign on nothing. */
export function normaliseAngle(degrees: number): number {
  const turn = ((degrees % 360) + 360) % 360;
  return (turn > 180 ? turn - 360 : turn) + 0;
}
