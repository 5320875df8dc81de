import type { TryOn } from '../core/tryon/index.ts';

/** A try-on of the samples. */
export interface SampleTryOn {
  readonly id: string;
  readonly tryOn: TryOn;
}

const sample = (
  id: string,
  name: string,
  product: string,
  source: TryOn['source'],
  rest: Partial<Pick<TryOn, 'scale' | 'rotation' | 'pieces' | 'wall'>> = {},
): SampleTryOn => ({
  id: `low-tide-try-on-${id}`,
  tryOn: { version: 1, name, product, source, scale: 1, rotation: 0, wall: undefined, pieces: [], ...rest },
});

/** The collection on things, at the size it is printed unless a thing asks for another. */
export const SAMPLE_TRY_ONS: readonly SampleTryOn[] = [
  sample('cushion', 'Limpet cushion', 'cushion', { swatch: 'low-tide-swatch-limpets' }),
  sample('summer', 'Herring shorts and vest', 'shorts-and-vest', { swatch: 'low-tide-swatch-herring' }, { scale: 0.6 }),
  sample('hall', 'Moorings in the hall', 'room', { swatch: 'low-tide-swatch-moorings' }),
  sample('shade', 'Strandline shade', 'lampshade', { design: 'low-tide-strandline' }, { scale: 0.7 }),
  sample('mug', 'Flotsam mug', 'mug', { design: 'low-tide-flotsam' }, { scale: 0.25 }),
  sample(
    'card',
    'A card from the quay',
    'greeting-card',
    { design: 'low-tide-quayside' },
    { scale: 0.3, rotation: -15 },
  ),
  sample(
    'wall',
    'Limpets at dusk, papered',
    'wall',
    { swatch: 'low-tide-swatch-limpets-dusk' },
    {
      // Two repeats to a roll.
      scale: 530 / 480,
      wall: { width: 3600, height: 2400, rollWidth: 530, rollLength: 10_050, match: 'straight' },
    },
  ),
];
