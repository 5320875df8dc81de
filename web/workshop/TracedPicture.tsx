import type { Artwork } from '../../core/motif/artwork.ts';

/** Traced artwork, which is paths in plain inks alone. */
export function TracedPicture({ artwork: { view, nodes }, width, height }: { readonly artwork: Artwork; readonly width: number; readonly height: number }) {
  return (
    <svg width={width} height={height} viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`} role="img" aria-label="The traced drawing" className="block">
      {nodes.map((node, n) => {
        if (node.kind !== 'path' || node.fill?.kind !== 'ink') return null;
        const { ink } = node.fill;
        return <path key={n} d={node.path} fill={ink} fillRule={node.rule} {...(node.stroke && { stroke: ink, strokeWidth: node.stroke.width, strokeLinejoin: 'round' as const })} />;
      })}
    </svg>
  );
}
