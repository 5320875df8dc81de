/** Fields and unions that schemas are built from. */
export * from './cutText.ts';
export * from './fields.ts';
export * from './own.ts';
export * from './recordOf.ts';
export * from './taggedUnion.ts';
