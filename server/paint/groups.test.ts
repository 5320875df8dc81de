import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asDrawn } from '../../core/document/index.ts';
import { compose, type Matrix } from '../../core/geometry/index.ts';
import { type ArtworkNode, type GroupNode, type PathNode, tracePath } from '../../core/motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../../core/paint/index.ts';
import { nodeBackend, nodeSurface, pixelsOf, type NodeSurface } from './nodeBackend.ts';

const backend = nodeBackend();
const SIDE = 120;
/** Values of some pixels, of four for each of 14,400. */
const FEW = 120;
const setting = { backend, resolve: asDrawn, width: SIDE, height: SIDE };

const place = fc.integer({ min: -20, max: 120 });
const corner = fc.tuple(place, place).map(([x, y]) => `${x} ${y}`);
const pathText = fc.tuple(corner, corner, corner, corner).map(([a, b, c, d]) => `M ${a} L ${b} Q ${c} ${d} Z`);
const ink = fc
  .record({ ink: fc.constantFrom('#c0206a', '#204060', '#e0b040'), opacity: fc.constantFrom(1, 0.6) })
  .map((paint) => ({ kind: 'ink', ...paint }) as const);
const stroke = fc
  .record({
    paint: ink,
    width: fc.integer({ min: 1, max: 12 }),
    cap: fc.constantFrom('butt', 'round', 'square'),
    join: fc.constantFrom('miter', 'round', 'bevel'),
    miterLimit: fc.constantFrom(1, 4, 20),
  })
  .map((fields) => ({ ...fields, dash: [], dashOffset: 0 }));
const matrix: fc.Arbitrary<Matrix> = fc
  .tuple(fc.constantFrom(0.4, 1, 1.6), fc.constantFrom(-0.5, 0, 0.7), place, place)
  .map(([size, lean, x, y]) => [size, lean, -lean, size, x / 2, y / 2]);
const rule = fc.constantFrom('nonzero', 'evenodd');
const pathNode: fc.Arbitrary<PathNode> = fc
  .record({
    path: pathText,
    rule,
    fill: fc.option(ink, { nil: undefined }),
    stroke: fc.option(stroke, { nil: undefined }),
  })
  .map((fields) => ({ kind: 'path', ...fields }));
const { node } = fc.letrec<{ node: ArtworkNode; group: GroupNode }>((tie) => ({
  node: fc.oneof({ maxDepth: 3, withCrossShrink: true }, pathNode, tie('group')),
  group: fc
    .record({
      matrix,
      opacity: fc.constantFrom(1, 0.7, 0.3),
      clip: fc.option(fc.array(fc.record({ path: pathText, rule, matrix }), { minLength: 1, maxLength: 2 }), {
        nil: undefined,
      }),
      children: fc.array(tie('node'), { minLength: 1, maxLength: 3 }),
    })
    .map((fields) => ({ kind: 'group', ...fields })),
}));

/** Every group on a whole sheet of its own: what painting has to look like, as plainly as it can be written. */
function paintWhole(sheet: NodeSurface, nodes: readonly ArtworkNode[], within: Matrix): void {
  for (const part of nodes) {
    if (part.kind !== 'group') {
      paintArtwork(sheet.context, [part], within, setting);
      continue;
    }
    const inner = compose(within, part.matrix);
    const layer = nodeSurface(SIDE, SIDE);
    paintWhole(layer, part.children, inner);
    if (part.clip) {
      const mask = nodeSurface(SIDE, SIDE);
      const path = backend.createPath();
      for (const shape of part.clip) {
        const [a, b, c, d, e, f] = shape.matrix;
        const at = (x: number, y: number) => [a * x + c * y + e, b * x + d * y + f] as const;
        tracePath(shape.path, {
          moveTo: (x, y) => path.moveTo(...at(x, y)),
          lineTo: (x, y) => path.lineTo(...at(x, y)),
          quadraticCurveTo: (cx, cy, x, y) => path.quadraticCurveTo(...at(cx, cy), ...at(x, y)),
          bezierCurveTo: (ax, ay, bx, by, x, y) => path.bezierCurveTo(...at(ax, ay), ...at(bx, by), ...at(x, y)),
          closePath: () => path.closePath(),
        });
      }
      mask.context.setTransform(...inner);
      mask.context.fill(path, part.clip.length === 1 && part.clip[0]?.rule === 'evenodd' ? 'evenodd' : 'nonzero');
      layer.context.setTransform(1, 0, 0, 1, 0, 0);
      layer.context.globalCompositeOperation = 'destination-in';
      backend.drawPixels(layer.context, mask.pixels, { x: 0, y: 0, width: SIDE, height: SIDE });
    }
    sheet.context.setTransform(1, 0, 0, 1, 0, 0);
    sheet.context.globalAlpha = part.opacity;
    backend.drawPixels(sheet.context, layer.pixels, { x: 0, y: 0, width: SIDE, height: SIDE });
    sheet.context.globalAlpha = 1;
  }
}

describe('groups', () => {
  it('look as if each were painted on a whole sheet of its own', () => {
    fc.assert(
      fc.property(fc.array(node, { minLength: 1, maxLength: 4 }), (nodes) => {
        const [painted, whole] = [nodeSurface(SIDE, SIDE), nodeSurface(SIDE, SIDE)];
        paintArtwork(painted.context, nodes, [1, 0, 0, 1, 10, 10], setting);
        paintWhole(whole, nodes, [1, 0, 0, 1, 10, 10]);
        const [a, b] = [pixelsOf(painted), pixelsOf(whole)];
        let [far, lost, sum] = [0, 0, 0];
        for (let i = 0; i < a.length; i += 1) {
          // Colours of what can hardly be seen are rounded coarsely: premultiplied values are compared.
          const alphaAt = i | 3;
          const value = (pixels: Uint8ClampedArray | Uint8Array): number =>
            i === alphaAt ? (pixels[i] as number) : ((pixels[i] as number) * (pixels[alphaAt] as number)) / 255;
          const apart = Math.abs(value(a) - value(b));
          if (apart > 24) far += 1;
          sum += apart;
          if (i === alphaAt && Math.abs((a[i] as number) - (b[i] as number)) > 120) lost += 1;
        }
        // Layers round to 256 steps once for each that lies within another, and edges are placed in single precision: the
        // engine's share of a pixel at the tip of a sliver can differ by much, but of few.
        expect(lost).toBeLessThanOrEqual(1);
        expect(far).toBeLessThanOrEqual(FEW);
        expect(sum / a.length).toBeLessThan(0.5);
      }),
    );
  });

  it('share their sheets, which are no larger than what is drawn in them', () => {
    const sizes: number[] = [];
    let sheets = 0;
    const counting: CanvasBackend = {
      ...backend,
      createSurface(width, height) {
        sheets += 1;
        const surface = backend.createSurface(width, height);
        return {
          get pixels() {
            return surface.pixels;
          },
          get context() {
            return surface.context;
          },
          resize(wide, high) {
            sizes.push(wide * high);
            surface.resize(wide, high);
          },
          write: surface.write.bind(surface),
          read: surface.read.bind(surface),
        };
      },
    };
    const dot = (x: number, y: number): ArtworkNode => ({
      kind: 'path',
      path: `M ${x} ${y} L ${x + 4} ${y} L ${x + 4} ${y + 4} Z`,
      rule: 'nonzero',
      fill: { kind: 'ink', ink: '#204060', opacity: 1 },
    });
    const half = (...children: ArtworkNode[]): ArtworkNode => ({
      kind: 'group',
      matrix: [1, 0, 0, 1, 0, 0],
      opacity: 0.5,
      children,
    });
    const nodes = Array.from({ length: 500 }, (_, n) => {
      const [x, y] = [(n * 37) % 1900, (n * 53) % 1900];
      return half(dot(x, y), half(dot(x + 2, y), dot(x, y + 2)));
    });
    const sheet = nodeSurface(2000, 2000);
    paintArtwork(sheet.context, nodes, [1, 0, 0, 1, 0, 0], {
      ...setting,
      backend: counting,
      width: 2000,
      height: 2000,
    });
    expect(sheets).toBe(2);
    expect(sizes).toHaveLength(1000);
    expect(Math.max(...sizes)).toBeLessThanOrEqual(100);
    // A group of one shape needs no sheet at all.
    paintArtwork(sheet.context, [half(dot(5, 5))], [1, 0, 0, 1, 0, 0], { ...setting, backend: counting });
    expect(sheets).toBe(2);
  });
});
