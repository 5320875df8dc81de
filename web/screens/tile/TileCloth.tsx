import { useEffect, useRef } from 'react';
import type { SeenTile } from './tileWorker.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly tile: SeenTile;
  /** How many cells wide and high, at least, the cloth is shown. */
  readonly cells: number;
  readonly label?: string;
  readonly className?: string;
}

/** The endless cloth that a tile makes, as much of it as fits: its pixels laid whole on whole, so that no join comes from the drawing. */
export function TileCloth({ tile: { image, cell }, cells, label = TEXTS.clothLabel, className = '' }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const sheet = canvas.current;
    const context = sheet?.getContext('2d');
    if (!sheet || !context) return;
    const box = sheet.getBoundingClientRect();
    // As many of the tile's own pixels as show so many cells, in the proportions of the window.
    const across = Math.max(cell.width * cells, (cell.height * cells * box.width) / Math.max(1, box.height));
    sheet.width = Math.round(across);
    sheet.height = Math.max(1, Math.round((across * box.height) / Math.max(1, box.width)));
    const isColumns = cell.stacked === 'columns';
    const [lines, along] = isColumns
      ? [sheet.width / cell.width, cell.height]
      : [sheet.height / cell.height, cell.width];
    for (let line = 0; line < lines; line += 1) {
      const from = ((line * cell.drop) % along) - along;
      const end = isColumns ? sheet.height : sheet.width;
      for (let at = from; at < end; at += along)
        if (isColumns) context.drawImage(image, line * cell.width, at);
        else context.drawImage(image, at, line * cell.height);
    }
  }, [image, cell, cells]);
  // A small one beside its name says nothing more.
  const read = label === '' ? ({ 'aria-hidden': true } as const) : ({ role: 'img', 'aria-label': label } as const);
  return <canvas ref={canvas} {...read} className={className} data-tile-cloth />;
}
