import { type Shopping, shoppingFor } from '../compare/shopping';
import { type Message, message } from '../message/message';
import type { WeighLine } from '../plan/types';
import { ROWS } from '../pot/kinds/rows';
import type { Kitchen } from '../pot/kitchen';
import type { Bar, Board } from './board';

/** One thing to do, at a minute of the day. */
export type DayTask = {
  readonly id: string;
  readonly key: string;
  readonly kind: 'weigh' | 'stock' | 'light' | 'step' | 'stir' | 'pass';
  readonly at: number;
  /** Minutes somebody stands at it; 0 for what is done at once. */
  readonly minutes: number;
  readonly does: Message;
  /** Whose it is, by role; empty when nobody said. */
  readonly role: string;
};

/** Minutes between two stirs of what catches. Common practice, no source. */
const STIR = 10;

function tasksOf(bar: Bar, burnerName: (id: string) => string): readonly DayTask[] {
  const { batch, table, live } = bar;
  if (live?.over || !table) return [];
  const { key } = batch;
  const role = batch.soup.role ?? '';
  const task = (kind: DayTask['kind'], at: number, minutes: number, does: Message, n = 0): DayTask => ({
    id: `${key} ${kind} ${n}`,
    key,
    kind,
    at,
    minutes,
    does,
    role,
  });
  const shift = bar.readyAt - table.minutes;
  const found: DayTask[] = [];
  if (!live) {
    if (table.mise > 0)
      found.push(
        task(
          'weigh',
          bar.mise.from,
          table.mise,
          message('Weigh out and cut, {count} lines', { count: table.weighOut.length }),
        ),
      );
    if (bar.stock)
      found.push(
        task(
          'stock',
          bar.stock.at.lightAt,
          bar.stock.table.minutes,
          message('Light {burner} for {stock}', {
            burner: burnerName(bar.stock.at.burnerId),
            stock: bar.stock.name,
          }),
        ),
      );
    found.push(
      task('light', bar.lightAt, 0, message('Light {burner}', { burner: burnerName(bar.place.burnerId) })),
    );
  }
  if (!live?.finished)
    for (const s of table.stretches)
      if (s.hands) found.push(task('step', s.from + shift, s.to - s.from, s.title, s.step));
  if (!live?.finished)
    for (const s of table.stretches)
      if (ROWS[s.kind].catches)
        for (let at = s.from + STIR; at <= s.to - STIR / 2; at += STIR)
          found.push(task('stir', at + shift, 0, message('Stir the bottom'), at));
  for (const [n, draw] of batch.soup.draws.entries()) {
    if (batch.soup.fresh && draw.at !== batch.due) continue;
    found.push(task('pass', draw.at, 0, message('On the pass'), n));
  }
  return found;
}

/** What is to be done, over all soups, in the order of its time. */
export const todayOf = (board: Board, burnerName: (id: string) => string): readonly DayTask[] =>
  board.bars
    .flatMap((bar) => tasksOf(bar, burnerName))
    .toSorted((a, b) => a.at - b.at || a.key.localeCompare(b.key));

/** One thing to weigh for the whole service, and how much of it for which soup. */
type Summed = {
  readonly ingredient: string;
  readonly name: string;
  readonly g: number;
  readonly ml: number | null;
  readonly asPurchased: number;
  readonly of: readonly { readonly key: string; readonly g: number; readonly ml: number | null }[];
};

/** What goes into a batch; a stock made here as what it is made of. */
const linesOf = ({ table, stock }: Bar): readonly WeighLine[] => [
  ...(table?.weighOut ?? []).filter((l) => l.ingredient !== stock?.ingredient),
  ...(stock?.table.weighOut ?? []),
];

/** What all pots take together, each thing once, the heaviest first; stock made here as what it is made of. */
export function summed(board: Board): readonly Summed[] {
  const by = new Map<string, { line: WeighLine; key: string }[]>();
  for (const bar of board.bars)
    for (const line of linesOf(bar))
      by.set(line.ingredient, [...(by.get(line.ingredient) ?? []), { line, key: bar.batch.key }]);
  const add = (a: number | null, b: number | null) => (a === null || b === null ? null : a + b);
  return [...by]
    .map(([ingredient, lines]): Summed => {
      const of = new Map<string, { key: string; g: number; ml: number | null }>();
      for (const { line, key } of lines) {
        const known = of.get(key);
        of.set(
          key,
          known ? { key, g: known.g + line.g, ml: add(known.ml, line.ml) } : { key, g: line.g, ml: line.ml },
        );
      }
      return {
        ingredient,
        name: lines[0]?.line.name ?? ingredient,
        g: lines.reduce((sum, l) => sum + l.line.g, 0),
        ml: lines.reduce<number | null>((sum, l) => add(sum, l.line.ml), 0),
        asPurchased: lines.reduce((sum, l) => sum + l.line.asPurchased, 0),
        of: [...of.values()],
      };
    })
    .toSorted((a, b) => b.g - a.g);
}

/** What to fetch for the whole service. */
export const shoppingOf = (board: Board, kitchen: Kitchen): Shopping =>
  shoppingFor(board.bars.flatMap(linesOf), kitchen);
