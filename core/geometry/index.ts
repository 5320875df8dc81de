/** Points, boxes, matrices, poses and lines; lengths in mm, y downwards, angles in degrees clockwise. */
export * from './angle.ts';
export * from './box.ts';
export * from './distanceField.ts';
export * from './insideLoops.ts';
export * from './matrix.ts';
export * from './point.ts';
export * from './polyline.ts';
export * from './pose.ts';
export * from './poseLimits.ts';
