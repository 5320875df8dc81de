/** Sheets of swatches, for showing and filing. */
export * from './sheetLayout.ts';
