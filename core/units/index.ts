/** Lengths, amounts and sums as people type them. */
export * from './amount.ts';
export * from './evaluate.ts';
export * from './length.ts';
export * from './ruler.ts';
export * from './pageSizes.ts';
