/** Sheets of paper: swatches for showing and filing, and things at their true size. */
export * from './cutSheets.ts';
export * from './sheetLayout.ts';
