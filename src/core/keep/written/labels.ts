import type { Allergen } from '../../food/ingredient';
import type { House } from '../../kitchen/house';
import { type Message, message } from '../../message/message';
import type { LotState } from '../lot';
import type { Deviation } from '../safe/deviation';
import { judge } from '../safe/judged';
import { rulesIn } from '../standing';
import { type DateMark, dateMark, type Undated } from './dates';

/** What stands on a label, and nothing else. */
export type Label = {
  readonly name: string;
  readonly madeAt: number;
  readonly cooledAt: number | null;
  /** Last day; null while it is frozen (then the days it has once thawed), and where it may not be dated: {@link undated}. */
  readonly useBy: string | null;
  readonly undated: Undated | null;
  /** It is dated only if it is read at this, °C, by then, ms. */
  readonly ifCold: DateMark['ifCold'];
  readonly daysLeft: number;
  /** What went against a rule, and what was done about it. */
  readonly deviations: readonly Message[];
  readonly allergens: readonly Allergen[];
  /** mL in each container. */
  readonly ml: number;
  readonly station: string;
  readonly code: string;
  /** Printed before. */
  readonly again: boolean;
};

/** What something kept is called by, short enough to be read out: of its id. */
export const codeOf = (id: string): string => {
  const hex = id.replaceAll('-', '').toUpperCase();
  return `${hex.slice(0, 4)}-${hex.slice(4, 8)}`;
};

/** A deviation with what was done about it, or that nobody has said. */
const deviationWords = ({ says, done }: Deviation): Message =>
  done
    ? message('{says}; {what}', { says, what: done.what })
    : message('{says}; nobody has said what was done', { says });

export function labelOf(state: LotState, house: House, now: number): Label {
  const rule = rulesIn(house);
  const mark = dateMark(state, rule, now);
  return {
    name: state.put.name,
    madeAt: Date.parse(state.put.madeAt),
    cooledAt: state.cooledAt,
    useBy: mark.useBy,
    undated: mark.why,
    ifCold: mark.ifCold,
    deviations: judge(state, rule, now).deviations.map(deviationWords),
    daysLeft: mark.left + 1,
    allergens: state.put.allergens,
    ml: state.container.kind === 'pans' ? state.ml / state.container.count : state.ml,
    station: state.events[0]?.station ?? '',
    code: codeOf(state.id),
    again: state.labels > 0,
  };
}

/** A way labels come out: mm of the page, of one label, how many across and down, and from the edge. */
export type LabelSize = {
  readonly id: string;
  readonly page: readonly [number, number];
  readonly label: readonly [number, number];
  readonly grid: readonly [number, number];
  readonly margin: readonly [number, number];
};

/** Sheets cut into equal parts, and rolls of the usual widths, a page a label. */
export const LABEL_SIZES = [
  { id: 'A4', page: [210, 297], label: [70, 49.5], grid: [3, 6], margin: [0, 0] },
  { id: 'Letter', page: [215.9, 279.4], label: [101.6, 50.8], grid: [2, 5], margin: [6.35, 12.7] },
  { id: 'roll 62', page: [62, 46], label: [62, 46], grid: [1, 1], margin: [0, 0] },
  { id: 'roll 57', page: [57, 46], label: [57, 46], grid: [1, 1], margin: [0, 0] },
  { id: 'roll 40', page: [40, 46], label: [40, 46], grid: [1, 1], margin: [0, 0] },
] as const satisfies readonly LabelSize[];
export type LabelSizeId = (typeof LABEL_SIZES)[number]['id'];
