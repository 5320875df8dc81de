/** A start that cannot go on; the message is the whole sentence for the terminal. */
export class StartError extends Error {}
