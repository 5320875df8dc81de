/** What the compiler checks, each against its own library, so that it keeps the core clean; the longest first. */
export const PROJECTS = ['.', 'web', 'core'];
