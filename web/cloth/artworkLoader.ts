import type { DrawnMotif, Motif } from '../../core/motif/index.ts';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../core/problem/index.ts';

/** Pauses before artwork that failed to load is asked for again, ms; the last one is repeated. */
const PAUSES_MS = [1000, 3000, 10_000, 30_000] as const;

interface Attempt {
  readonly artwork: string;
  failures: number;
  timer: ReturnType<typeof setTimeout> | undefined;
}

/** Fetches the artwork of motifs once each; what fails is asked for again after a pause that grows. */
export class ArtworkLoader {
  readonly #drawn = new Map<string, DrawnMotif>();
  readonly #attempts = new Map<string, Attempt>();
  #closed = false;

  /**
   * @param fetchMotif gets a motif's artwork
   * @param onLoaded called as each arrives
   * @param onProblem called each time one fails, with a sentence; with undefined once all have arrived
   */
  constructor(
    readonly fetchMotif: (motif: Motif) => Promise<DrawnMotif>,
    readonly onLoaded: (drawn: DrawnMotif) => void,
    readonly onProblem: (problem: string | undefined) => void,
  ) {}

  /** The motifs whose artwork is at hand. */
  get drawn(): ReadonlyMap<string, DrawnMotif> {
    return this.#drawn;
  }

  want(motif: Motif): void {
    const drawn = this.#drawn.get(motif.id);
    if (drawn?.motif === motif) return;
    // Renamed or resized: the artwork at hand serves on.
    if (drawn?.motif.artwork === motif.artwork) {
      this.#drawn.set(motif.id, { ...drawn, motif });
      return;
    }
    const attempt = this.#attempts.get(motif.id);
    if (attempt?.artwork === motif.artwork) return;
    clearTimeout(attempt?.timer);
    const fresh: Attempt = { artwork: motif.artwork, failures: 0, timer: undefined };
    this.#attempts.set(motif.id, fresh);
    this.#fetch(motif, fresh);
  }

  close(): void {
    this.#closed = true;
    for (const { timer } of this.#attempts.values()) clearTimeout(timer);
  }

  #fetch(motif: Motif, attempt: Attempt): void {
    this.fetchMotif(motif).then(
      (drawn) => {
        if (this.#closed || this.#attempts.get(motif.id) !== attempt) return;
        this.#attempts.delete(motif.id);
        this.#drawn.set(motif.id, drawn);
        this.onLoaded(drawn);
        if ([...this.#attempts.values()].every(({ failures }) => failures === 0)) this.onProblem(undefined);
      },
      (error: unknown) => {
        if (this.#closed || this.#attempts.get(motif.id) !== attempt) return;
        const pause = PAUSES_MS[Math.min(attempt.failures, PAUSES_MS.length - 1)] ?? 0;
        attempt.failures += 1;
        attempt.timer = setTimeout(() => this.#fetch(motif, attempt), pause);
        const why = messageOf(error);
        this.onProblem(TEXTS.theMotifNameCouldNot(motif.name, why));
      },
    );
  }
}
