/** Fields and unions that schemas are built from. */
export * from './fields.ts';
export * from './recordOf.ts';
export * from './taggedUnion.ts';
