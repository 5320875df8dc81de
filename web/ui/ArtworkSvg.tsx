import { useId } from 'react';
import type { Artwork, Paint, View } from '../../core/motif/index.ts';

interface Props {
  readonly artwork: Artwork;
  /** None where it stands in something that is named already. */
  readonly label: string;
  readonly className?: string;
  /** What of the artwork's space is shown; its own view where missing. */
  readonly view?: View;
}

/** Artwork that was made here, of plain and fading inks, as a picture that is sharp at any size. */
export function ArtworkSvg({ artwork, label, className, view = artwork.view }: Props) {
  const id = useId();
  const paint = (paint: Paint | undefined, key: string): string =>
    !paint ? 'none' : paint.kind === 'ink' ? paint.ink : `url(#${id}${key})`;
  return (
    <svg
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      className={className}
    >
      {artwork.nodes.map((node, n) => {
        if (node.kind !== 'path') return null;
        const { fill, stroke } = node;
        return (
          <g key={n}>
            {fill?.kind === 'linear' && (
              <linearGradient
                id={`${id}${n}`}
                gradientUnits="userSpaceOnUse"
                x1={fill.from[0]}
                y1={fill.from[1]}
                x2={fill.to[0]}
                y2={fill.to[1]}
                gradientTransform={`matrix(${fill.matrix.join(' ')})`}
              >
                {fill.stops.map(({ offset, ink, opacity }) => (
                  <stop key={offset} offset={offset} stopColor={ink} stopOpacity={opacity} />
                ))}
              </linearGradient>
            )}
            <path
              d={node.path}
              fillRule={node.rule}
              fill={paint(fill, String(n))}
              {...(stroke && {
                stroke: paint(stroke.paint, ''),
                strokeWidth: stroke.width,
                strokeLinejoin: 'round' as const,
                strokeLinecap: 'round' as const,
              })}
            />
          </g>
        );
      })}
    </svg>
  );
}
