/** Fields and unions that schemas are built from. */
import './words.ts';

export * from './cutText.ts';
export * from './fields.ts';
export * from './ofWhole.ts';
export * from './own.ts';
export * from './recordOf.ts';
export * from './taggedUnion.ts';
