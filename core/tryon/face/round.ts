import type { Point } from '../../geometry/index.ts';
import { between, coordinate } from '../../schema/index.ts';

/** How a round thing stands in the scene, seen from afar (a parallel projection). */
export const roundFields = {
  /** The centre of its upper rim. */
  x: coordinate.required(),
  y: coordinate.required(),
  /** Units of the scene to a mm. */
  scale: between(1e-4, 1e4),
  /** By how many degrees it is looked down upon. */
  pitch: between(0, 80),
  /** How far its axis is turned in the scene, degrees clockwise. */
  rotation: between(-360, 360),
  /** Of its body from rim to rim, mm. */
  height: between(1, 1e5),
};

interface Round {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
  readonly pitch: number;
  readonly rotation: number;
}

/** The front of a surface of revolution whose radius grows evenly along its axis. */
export interface Front {
  /** Writes the angle from the line of sight, radians, and the depth along the axis, mm. @returns whether it is seen there */
  find(x: number, y: number, out: Float64Array): boolean;
  place(angle: number, depth: number): Point;
}

/**
 * @param radius of the upper rim, mm
 * @param growth mm of radius to a mm of depth
 */
export function frontOf({ x: cx, y: cy, scale, pitch, rotation }: Round, radius: number, growth: number): Front {
  const [sin, cos] = [Math.sin((pitch * Math.PI) / 180), Math.cos((pitch * Math.PI) / 180)];
  const [turnSin, turnCos] = [Math.sin((rotation * Math.PI) / 180), Math.cos((rotation * Math.PI) / 180)];
  // A point (p, q) of the picture, in mm from the upper rim's centre, shows depth z where
  // p² sin² + (q - z cos)² = sin² (radius + growth z)²: a quadratic in z, the nearer of whose roots is in front.
  const lead = cos * cos - sin * sin * growth * growth;
  return {
    find(x, y, out) {
      const [dx, dy] = [(x - cx) / scale, (y - cy) / scale];
      const p = dx * turnCos + dy * turnSin;
      const q = dy * turnCos - dx * turnSin;
      const half = q * cos + sin * sin * radius * growth;
      const square = half * half - lead * (p * p * sin * sin + q * q - sin * sin * radius * radius);
      if (square < -1e-9 * (1 + half * half)) return false;
      const depth = (half - Math.sqrt(Math.max(0, square))) / lead;
      const share = p / (radius + growth * depth);
      if (!(Math.abs(share) <= 1)) return false;
      out[0] = Math.asin(share);
      out[1] = depth;
      return true;
    },
    place(angle, depth) {
      const r = radius + growth * depth;
      const p = scale * r * Math.sin(angle);
      const q = scale * (depth * cos + r * sin * Math.cos(angle));
      return { x: cx + p * turnCos - q * turnSin, y: cy + p * turnSin + q * turnCos };
    },
  };
}
