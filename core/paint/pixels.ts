/** Pixels the painter can lay down: a canvas of its own kind or a decoded picture. */
export type Pixels = unknown;
