import { useEffect, useRef } from 'react';
import { asDrawn } from '../../../core/document/index.ts';
import { compose, scalingMatrix, translationMatrix } from '../../../core/geometry/index.ts';
import { indicesTouching, latticeOf, latticeTranslate, step } from '../../../core/lattice/index.ts';
import type { Artwork } from '../../../core/motif/index.ts';
import { paintArtwork } from '../../../core/paint/index.ts';
import { browserBackend, browserSurface } from '../../cloth/browserBackend.ts';
import { TEXTS } from './texts.ts';

/** Ground between the motif and its neighbours, as a share of its longer side. */
const AIR = 0.28;
/** Repeats seen across. */
const ACROSS = 3.4;
const backend = browserBackend(new Map());

interface Props {
  readonly artwork: Artwork;
  readonly ground: string;
  readonly width: number;
  readonly height: number;
}

/** The motif as it would run in a half-drop, while it is being built. */
export function RepeatPreview({ artwork, ground, width, height }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || width === 0) return;
    const { view, nodes } = artwork;
    const air = Math.max(view.width, view.height) * AIR;
    const cell = { width: view.width + air, height: view.height + air };
    const scale = width / (cell.width * ACROSS);
    // One sprite, laid wherever the lattice has it.
    const sprite = browserSurface(Math.ceil(view.width * scale) + 2, Math.ceil(view.height * scale) + 2);
    const matrix = compose(
      translationMatrix(1, 1),
      compose(scalingMatrix(scale, scale), translationMatrix(-view.x, -view.y)),
    );
    paintArtwork(sprite.context, nodes, matrix, {
      backend,
      resolve: asDrawn,
      width: sprite.canvas.width,
      height: sprite.canvas.height,
    });
    const lattice = latticeOf({
      width: cell.width * scale,
      height: cell.height * scale,
      step: step('half-drop', 1, 2),
    });
    context.fillStyle = ground;
    context.fillRect(0, 0, width, height);
    const at = { x: (width - sprite.canvas.width) / 2, y: (height - sprite.canvas.height) / 2 };
    const box = { left: at.x, top: at.y, right: at.x + sprite.canvas.width, bottom: at.y + sprite.canvas.height };
    for (const steps of indicesTouching(lattice, box, { left: 0, top: 0, right: width, bottom: height })) {
      const by = latticeTranslate(lattice, steps);
      context.drawImage(sprite.canvas, Math.round(at.x + by.x), Math.round(at.y + by.y));
    }
  }, [artwork, ground, width, height]);
  return (
    <canvas
      ref={canvas}
      width={width}
      height={height}
      role="img"
      aria-label={TEXTS.theMotifAsARepeat}
      data-repeat-preview
      className="block"
    />
  );
}
