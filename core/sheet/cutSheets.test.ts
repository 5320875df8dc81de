import fc from 'fast-check';
import { expect, it } from 'vitest';
import { type Box, intersectBoxes, shiftBox } from '../geometry/index.ts';
import { type CutWish, cutSheets, MOST_CUT_SHEETS } from './cutSheets.ts';
import { PAPER_NAMES } from '../units/index.ts';

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const wish: fc.Arbitrary<CutWish> = fc.record({
  paper: fc.constantFrom(...PAPER_NAMES),
  isWide: fc.boolean(),
  margin: mm(0, 40),
  bleed: mm(0, 20),
  marks: fc.boolean(),
  fill: fc.boolean(),
});
const area = (box: Box | undefined): number => (box ? (box.right - box.left) * (box.bottom - box.top) : 0);

it('cuts a thing into parts that are all of it, once, and have room on their paper', () => {
  fc.assert(
    fc.property(wish, mm(1, 1500), mm(1, 1500), (asked, width, height) => {
      const within = (near: number, least: number): void => {
        // One assertion for each would take longer than all that is asserted.
        if (!(near > least - 1e-6)) expect(near).toBeGreaterThan(least - 1e-6);
      };
      const sheets = cutSheets({ width, height }, asked);
      const parts = sheets.flatMap((sheet) => sheet.parts);
      const isWhole = sheets.length === 1;
      const once = isWhole ? [parts[0]?.part as Box] : parts.map(({ part }) => part);
      expect(once.reduce((sum, part) => sum + area(part), 0)).toBeCloseTo(width * height, 4);
      for (const [n, part] of once.entries())
        for (const other of once.slice(n + 1)) within(1e-6 - area(intersectBoxes(part, other)), 0);
      for (const sheet of sheets)
        for (const { part, printed, x, y } of sheet.parts) {
          const at = shiftBox(part, { x, y });
          for (const near of [at.left, at.top, sheet.width - at.right, sheet.height - at.bottom])
            within(near, asked.margin + asked.bleed);
          const paper = shiftBox(printed, { x, y });
          for (const near of [paper.left, paper.top, sheet.width - paper.right, sheet.height - paper.bottom])
            within(near, 0);
        }
    }),
  );
});

it('prints things beside each other without one reaching over the cut of another', () => {
  fc.assert(
    fc.property(wish, mm(25, 90), mm(25, 90), (asked, width, height) => {
      const [sheet] = cutSheets({ width, height }, { ...asked, margin: 10, bleed: 3, fill: true });
      const boxes = (sheet?.parts ?? []).map(({ printed, x, y }) => shiftBox(printed, { x, y }));
      for (const [n, box] of boxes.entries())
        for (const other of boxes.slice(n + 1)) expect(area(intersectBoxes(box, other))).toBeLessThan(1e-6);
    }),
  );
});

const a4: CutWish = { paper: 'a4', isWide: false, margin: 10, bleed: 0, marks: true, fill: false };

it('puts the lines where the cuts are', () => {
  const [first, second, ...others] = cutSheets({ width: 300, height: 200 }, a4);
  expect(others).toEqual([]);
  expect([first?.column, second?.column]).toEqual([1, 2]);
  // 190 mm of paper: the cut between the sheets lies there.
  expect(first?.parts[0]?.part).toEqual({ left: 0, top: 0, right: 190, bottom: 200 });
  expect(second?.parts[0]?.printed).toEqual({ left: 188, top: 0, right: 300, bottom: 200 });
  const upright = (first?.marks ?? []).filter(({ left, right }) => right - left < 1);
  expect(new Set(upright.map(({ left, right }) => (left + right) / 2))).toEqual(new Set([10, 200]));
});

it('prints as many cards as fit, in the middle of the sheet', () => {
  const [sheet] = cutSheets({ width: 85, height: 55 }, { ...a4, bleed: 2, fill: true });
  // 186 mm between margins and bleed hold two of 85 with 14 mm between them, and 273 mm hold four of 55.
  expect(sheet?.parts).toHaveLength(2 * 4);
  const xs = (sheet?.parts ?? []).map(({ x }) => x);
  expect(Math.min(...xs) + Math.max(...xs) + 85).toBeCloseTo(210, 9);
});

it('says what helps where there is no room, or too much to print', () => {
  expect(() => cutSheets({ width: 10, height: 10 }, { ...a4, margin: 50, bleed: 50 })).toThrow(/smaller ones/);
  expect(() => cutSheets({ width: 9000, height: 9000 }, a4)).toThrow(
    new RegExp(`a file holds ${MOST_CUT_SHEETS}.*larger paper`),
  );
});
