/** Numbers that look like chance and repeat. */
export * from './seeded.ts';
