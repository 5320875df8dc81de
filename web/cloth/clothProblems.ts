import { TEXTS } from './texts.ts';

type Kind = 'depth' | 'painting' | 'artwork';

/** What keeps the cloth from being seen as it is: too much on it to paint, a painter that failed, artwork that is missing. */
export class ClothProblems {
  readonly #problems = new Map<Kind, string>();

  /** @param tell that the sentence may be another */
  constructor(readonly tell: () => void) {}

  /** The one that matters most, for the designer. */
  get sentence(): string | undefined {
    const tooDeep = this.#problems.get('depth');
    return tooDeep === undefined
      ? (this.#problems.get('painting') ?? this.#problems.get('artwork'))
      : TEXTS.tooMuchToPaint(tooDeep);
  }

  set(kind: Kind, problem: string | undefined): void {
    if (this.#problems.get(kind) === problem) return;
    if (problem === undefined) this.#problems.delete(kind);
    else this.#problems.set(kind, problem);
    this.tell();
  }
}
