/** Try-ons side by side at the most. */
export const MOST_COMPARED = 6;
