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
            {fill && fill.kind !== 'ink' && <Gradient id={`${id}${n}`} paint={fill} />}
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

function Gradient({ id, paint }: { readonly id: string; readonly paint: Exclude<Paint, { readonly kind: 'ink' }> }) {
  const shared = {
    id,
    gradientUnits: 'userSpaceOnUse',
    gradientTransform: `matrix(${paint.matrix.join(' ')})`,
    // Two stops may lie at one place.
    children: paint.stops.map(({ offset, ink, opacity }, n) => (
      <stop key={n} offset={offset} stopColor={ink} stopOpacity={opacity} />
    )),
  };
  if (paint.kind === 'linear') {
    const [[x1, y1], [x2, y2]] = [paint.from, paint.to];
    return <linearGradient {...shared} x1={x1} y1={y1} x2={x2} y2={y2} />;
  }
  const { centre, focus, radius } = paint;
  return <radialGradient {...shared} cx={centre[0]} cy={centre[1]} r={radius} fx={focus[0]} fy={focus[1]} />;
}
