import { demoHouse } from '../../../../demo/demo';
import { seeded } from '../../maths/random';
import { RULE_SETS, rulesOf } from '../../safety/rules';
import { inEnglish } from '../../text/inWords';
import type { KeepBody, KeepEvent } from '../events';
import type { Lot } from '../lot';
import { dateMark } from '../written/dates';
import { entriesOf } from '../written/entries';
import { labelOf } from '../written/labels';
import { lotState } from './fold';
import { judge } from './judged';

const MIN = 60_000;
const START = Date.UTC(2026, 10, 23, 10);
const house = demoHouse();

/** Where it really is: °C it goes towards, and how fast, 1/min. */
const REALLY: Readonly<Record<string, readonly [celsius: number, rate: number]>> = {
  bath: [66, 0.02],
  'cold bath': [45, 0.02],
  worktop: [24, 0.008],
  blast: [-8, 0.03],
  'cold-room': [3, 0.012],
  fridge: [3, 0.008],
  freezer: [-18, 0.02],
};
const keepingFor = (rules: (typeof RULE_SETS)[number]) => ({
  ...house.keeping,
  rules,
  tightened: {},
  places: [
    ...house.keeping.places.filter((p) => p.id in REALLY),
    { id: 'cold bath', name: 'Cold bath', kind: 'bath' as const, celsius: 45 },
  ],
});

/** What happened to a soup, minute by minute, beside its record: °C of each minute, and when it was really brought to the rule's figure. */
type Told = { lot: Lot; really: number[]; broughtBack: number[]; now: number };

const container = { kind: 'pans', pan: 'full-65', count: 4 } as const;

/** One soup and its record: things done to it at random, readings that are what a probe would show, and lines taken back. */
function lived(uniform: () => number, n: number, rule: ReturnType<typeof rulesOf>, parent?: Told): Told {
  let serial = 0;
  const id = (of: number) => `00000000-0000-4000-8000-${String(of * 1000 + serial++).padStart(12, '0')}`;
  const really: number[] = parent ? [...parent.really] : [];
  const broughtBack: number[] = parent ? [...parent.broughtBack] : [];
  const events: KeepEvent[] = [];
  const cold = !parent && uniform() < 0.1;
  let place = parent
    ? uniform() < 0.5
      ? 'fridge'
      : 'worktop'
    : cold
      ? 'fridge'
      : uniform() < 0.4
        ? 'bath'
        : 'worktop';
  let celsius = parent ? (really.at(-1) ?? 80) : cold ? 4 : 62 + uniform() * 30;
  let minute = parent ? parent.now : 0;
  let heating = false;
  const write = (body: KeepBody) =>
    events.push({ id: id(n), at: new Date(START + minute * MIN).toISOString(), station: 'Closer', body });
  const pass = (minutes: number) => {
    for (let k = 0; k < minutes; k++) {
      const [to, rate] = heating ? [100, 0.02] : (REALLY[place] ?? [3, 0.01]);
      celsius += (to - celsius) * rate;
      really.push(celsius);
    }
    minute += minutes;
  };
  write({
    kind: 'put by',
    what: 'soup',
    name: 'Leek',
    madeAt: new Date(START).toISOString(),
    ml: 8000,
    allergens: [],
    container,
    place,
    ...(parent && { from: parent.lot.id }),
    ...(!parent && !cold && { batch: '00000000-0000-4000-8000-0000000000bb' }),
  });
  const pick = <T>(of: readonly T[]): T => of[Math.floor(uniform() * of.length)] as T;
  if (!cold && uniform() < 0.5) {
    // As it should be done: into the blast, read every quarter of an hour, stored once it is cold; mostly.
    pass(1 + Math.floor(uniform() * 10));
    place = uniform() < 0.8 ? 'blast' : 'cold-room';
    write({ kind: 'set to cool', way: { into: container, place } });
    for (let k = 0; k < 30 && celsius > rule.cold.atMost - 1; k++) {
      pass(uniform() < 0.9 ? 15 : 60);
      write({ kind: 'temperature', celsius: Math.round(celsius * 10) / 10 });
    }
    place = 'fridge';
    write({ kind: 'cooled', place });
  }
  const lines = Math.floor(uniform() * 12);
  for (let k = 0; k < lines; k++) {
    pass(1 + Math.floor(uniform() ** 2 * 200));
    const dice = uniform();
    if (dice < 0.45) write({ kind: 'temperature', celsius: Math.round(celsius * 10) / 10 });
    else if (dice < 0.55) {
      place = pick(['worktop', 'blast', 'cold-room', 'fridge']);
      heating = false;
      write({ kind: 'set to cool', way: { into: container, place } });
    } else if (dice < 0.65) {
      place = pick(['fridge', 'cold-room', 'freezer']);
      heating = false;
      write({ kind: 'cooled', place });
    } else if (dice < 0.75) {
      place = pick(Object.keys(REALLY));
      heating = false;
      write({ kind: 'moved', place });
    } else if (dice < 0.8) {
      place = pick(['bath', 'cold bath']);
      heating = false;
      write({ kind: 'kept hot', place, lid: true });
    } else if (dice < 0.85) {
      heating = true;
      write({ kind: 'reheating', vessel: 'middle-28', burner: 'front-left' });
    } else if (dice < 0.9 && heating) {
      const seconds = uniform() < 0.8 ? 130 : 2;
      write({ kind: 'reheated', celsius: Math.floor(celsius), seconds, place: 'bath' });
      if (Math.floor(celsius) >= rule.reheat.to && seconds >= rule.reheat.forSeconds)
        broughtBack.push(minute);
      heating = false;
      place = 'bath';
    } else if (dice < 0.94) write({ kind: 'taken', ml: 200 });
    else if (dice < 0.97) {
      const named = pick(events);
      // Somebody takes back a true reading, or a taking back: what is left of the record counts.
      if (named.body.kind === 'temperature' || named.body.kind === 'withdrawn')
        write({ kind: 'withdrawn', event: named.id });
    } else write({ kind: 'put right', what: 'door shut' });
  }
  pass(Math.floor(uniform() * 300));
  return {
    lot: { id: id(n), events, ...(parent && { from: parent.lot }) },
    really,
    broughtBack,
    now: minute,
  };
}

/**
 * Whether it was really over a limit of the rule for too long, at some time until `now`: minute by minute, and by
 * nothing that was written.
 */
function wasTooLong({ really, broughtBack, now }: Told, rule: ReturnType<typeof rulesOf>): boolean {
  const { from, stages } = rule.cooling;
  const starts = [0, ...broughtBack];
  return starts.some((start, n) => {
    const end = starts[n + 1] ?? now;
    let began: number | null = null;
    for (let m = start; m < end; m++) {
      const t = really[m] ?? 0;
      if (began === null && t < from - 0.1) began = m;
      if (began === null) continue;
      for (const s of stages) {
        const due = began + s.seconds / 60;
        // Cold by then, at some time: what warms again afterwards is looked at below.
        const met = really.slice(start, Math.min(end, Math.floor(due) + 1)).some((c) => c <= s.to + 0.1);
        if (m > due && !met) return true;
      }
    }
    return false;
  });
}

test('of 10,000 random lines none lets a soup that was over the limit too long be shown, labelled, dated or exported as within it', () => {
  const uniform = seeded(26);
  let lines = 0;
  const seen = { soups: 0, tooLong: 0, holds: 0, parts: 0 };
  for (let n = 0; lines < 10_000; n++) {
    const set = RULE_SETS[n % RULE_SETS.length] ?? 'fda';
    const keeping = keepingFor(set);
    const rule = rulesOf(set);
    const first = lived(uniform, n * 2 + 1, rule);
    const told = n % 3 === 0 ? lived(uniform, n * 2 + 2, rule, first) : first;
    lines += told.lot.events.length;
    const state = lotState(told.lot, keeping);
    if (!state) continue;
    const now = START + told.now * MIN;
    const { answer } = judge(state, rule, now);
    const mark = dateMark(state, rule, now);
    const dated = state.wasHot && mark.useBy !== null && mark.ifCold === null;
    seen.soups += 1;
    if (told !== first) seen.parts += 1;
    if (answer === 'holds') seen.holds += 1;
    if (!wasTooLong(told, rule)) continue;
    seen.tooLong += 1;
    const kitchen = { ...house, keeping };
    const label = labelOf(state, kitchen, now);
    const at = () =>
      `soup ${n} under ${set}: ${told.lot.events.map((e) => `${(Date.parse(e.at) - START) / MIN} ${inEnglish(JSON.stringify(e.body).replaceAll(/[{}]/g, ''))}`).join('\n')}`;
    if (answer === 'holds' || dated || (state.wasHot && label.useBy !== null && label.ifCold === null))
      throw new Error(`${answer}, dated ${mark.useBy}: ${at()}`);
    // What is exported says so, unless it may still be hot for all that was written, or was never hot here.
    const bad = entriesOf([told.lot], [], [], kitchen, now).some((e) =>
      e.marks.some((m) => m === 'over the limit' || m === 'cannot be told'),
    );
    if (!bad && answer !== 'open' && state.wasHot && !told.lot.from) throw new Error(`not exported: ${at()}`);
  }
  // It means something: many were, many were not, and some hold.
  expect(seen.tooLong).toBeGreaterThan(200);
  expect(seen.holds).toBeGreaterThan(20);
  expect(seen.parts).toBeGreaterThan(100);
});
