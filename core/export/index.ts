/** What goes into a file, at which size, in which format; and how that comes out in whole pixels. */
export * from './bleed.ts';
export * from './exportOrder.ts';
export * from './exportPlan.ts';
export * from './exportSize.ts';
export * from './extent.ts';
export * from './planeRows.ts';
export * from './rasterFormat.ts';
export * from './trimMarks.ts';
export * from './vectorOrder.ts';
export * from './vectorPage.ts';
export * from './anyOrder.ts';
export * from './fileTemplate.ts';
export * from './orderFacts.ts';
export * from './page.ts';
