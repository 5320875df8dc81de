const POUNDS = new Intl.NumberFormat('en-GB', { style: 'currency', currency: 'GBP' });

/** An amount of pence as it is written. */
export function inPounds(pence: number): string {
  return POUNDS.format(pence / 100);
}
