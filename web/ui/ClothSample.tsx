import { type Repeat, tileOf } from '../../core/lattice/index.ts';

interface Props {
  /** Address of a picture of the tile. */
  readonly picture: string;
  readonly repeat: Repeat;
  /** CSS pixels per millimetre. */
  readonly scale: number;
  readonly className?: string;
}

/** A piece of cloth: the picture of a tile repeated at a scale. */
export function ClothSample({ picture, repeat, scale, className = '' }: Props) {
  const unit = tileOf(repeat);
  return (
    <div
      className={`bare-ground ${className}`}
      style={{
        backgroundImage: `url("${picture}")`,
        backgroundSize: `${unit.width * scale}px ${unit.height * scale}px`,
        backgroundRepeat: 'repeat',
      }}
    />
  );
}
