/** Says what was tried, where that is what a run is for. */
export function told(sentence: string): void {
  if (process.env['HEVREL_SOAK']) process.stdout.write(`\n» ${sentence}\n`);
}
