import type { Point } from '../../../core/geometry/index.ts';
import { formatNumber, mmPer } from '../../../core/units/index.ts';
import { type ShownUnit, shownUnit } from '../../ui/unit.ts';
import { TEXTS } from '../texts.ts';

/** As fine as a hand is. */
const DIGITS: Readonly<Record<ShownUnit, number>> = { mm: 1, cm: 2, in: 2 };

/** A length while it is dragged, in the unit that the person works in. */
export function dragLength(mm: number): string {
  return `${dragNumber(mm)} ${shownUnit()}`;
}

/** Where something lies, and how far it has been moved. */
export function dragPlace(place: Point, by?: Point): string {
  const at = TEXTS.atXAndY(dragNumber(place.x), dragLength(place.y));
  return by ? `${at}\n${TEXTS.movedBy(dragNumber(by.x), dragLength(by.y))}` : at;
}

function dragNumber(mm: number): string {
  const unit = shownUnit();
  return formatNumber(mm / mmPer(unit), DIGITS[unit]);
}
