/** Numbers that look like chance and repeat. */
export * from './hashed.ts';
export * from './seeded.ts';
export * from './shuffled.ts';
