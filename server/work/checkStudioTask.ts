/** Reads all of a studio and says what is damaged. */
export interface CheckStudioTask {
  readonly kind: 'check-studio';
  /** A database that nothing else has open. */
  readonly database: string;
  readonly blobs: string;
}

/** Unpacks a backup and reads all of it as if it were restored. */
export interface ReadBackTask {
  readonly kind: 'read-back';
  readonly archive: string;
  /** Where it is unpacked to; it stays there. */
  readonly folder: string;
}

/** Something that is damaged. */
export interface Fault {
  /** What it is, such as “the motif Whelk (8dG9yYpF5uQG)”. */
  readonly what: string;
  /** What is wrong with it, as a sentence. */
  readonly wrong: string;
  /** What helps. */
  readonly help: string;
}

export interface CheckOutcome {
  /** How many things of each kind were looked at. */
  readonly seen: Readonly<Record<string, number>>;
  readonly faults: readonly Fault[];
  /** Addresses of the files that nothing names. */
  readonly unnamed: readonly string[];
}
