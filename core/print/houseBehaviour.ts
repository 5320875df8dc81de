/** How the simulated print house can be told to behave. */
export const HOUSE_BEHAVIOURS = ['normal', 'slow', 'breaks', 'refuses', 'closed'] as const;
export type HouseBehaviour = (typeof HOUSE_BEHAVIOURS)[number];
