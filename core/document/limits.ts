/** More than any cell can show; a bound on what a design can hold. */
export const MOST_PLACEMENTS = 20_000;
/** More than anyone can tell one from another. */
export const MOST_LAYERS = 200;
export const MOST_GUIDES = 200;
export const MOST_INKS = 1000;
export const MOST_COLOURWAYS = 200;
/** Artwork colours that one ink prints. */
export const MOST_PRINTS = 1000;
/** Commands in one save, and in one command of several. */
export const MOST_COMMANDS = 1000;
/** Commands lie in commands at most this deep. */
export const DEEPEST_COMMAND = 8;
/**
 * A design that an earlier version, or another program, filled beyond these numbers is still opened, to be read and to have things
 * removed; up to so many times as much.
 */
export const READ_BEYOND = 5;
