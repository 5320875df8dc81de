/** What the eye would catch on: gaps, lanes, clumps, quarters; and what is too fine to be printed. */
export * from './brokenJoins.ts';
export * from './clumps.ts';
export * from './coverage.ts';
export * from './findings.ts';
export * from './fineDetail.ts';
export * from './gaps.ts';
export * from './lanes.ts';
export * from './outline.ts';
export * from './quarters.ts';
