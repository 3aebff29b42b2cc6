import { demoBatch } from '../demo/batch';
import { demoIds } from '../demo/demo';
import { agesOf, contradictionIn, measuredFrom } from '../src/core/adjust/measured';
import { causesOf } from '../src/core/adjust/why';
import { BatchEvent, EventBody, FORK, GOES_TO, LOOKS, TASTE } from '../src/core/batch/events';
import { ahead, doubtAhead, potAt, stepEndsAt } from '../src/core/batch/follow/ahead';
import { type Followed, follow } from '../src/core/batch/follow/follow';
import type { Batch } from '../src/core/batch/record';
import { ticketOf } from '../src/core/batch/ticket';
import { catalogue } from '../src/core/food/catalogue';
import { COOLING_METHODS } from '../src/core/heat/cool/body';
import { seeded } from '../src/core/maths/random';
import type { StepKind } from '../src/core/pot/kinds/names';
import { TAKES } from '../src/core/pot/kinds/pour/takes';
import { observe } from '../src/core/pot/observe';
import type { Portion, Step } from '../src/core/pot/step';
import { EQUAL_PARTS } from '../src/core/thicken/equalParts';
import { ROUX_COLOURS } from '../src/core/thicken/granules';
import { PUREE_TOOLS } from '../src/core/thicken/puree';
import { THICKEN_METHODS } from '../src/core/thickeners/row';
import { DAY_MS } from '../src/core/units/moment';

/** Where each of the canteen's soups is cooked here, id, pot and burner. */
const HOMES = [
  ['middle-28', 'front-right', 8],
  ['tall-steel-36', 'front-left', 20],
] as const;

const known = new Map<string, ReturnType<typeof demoBatch>>();
function soup(id: string, home: (typeof HOMES)[number]) {
  const [pot, burner, litres] = home;
  const key = `${id} ${pot}`;
  const of = known.get(key) ?? demoBatch(id, { litres, pot, burner });
  known.set(key, of);
  return of;
}

/** A made-up history of a batch: what stations wrote down, in the order it arrived. */
export type History = { readonly seed: number; readonly batch: Batch };

/** Numbers as cooks, devices and fools send them: ordinary, at either end, or anywhere between. */
function numbers(random: () => number) {
  const between = (low: number, high: number): number => {
    const how = random();
    if (how < 0.12) return low;
    if (how < 0.24) return high;
    // Small and large alike: figures reach over many powers of ten.
    if (how < 0.5 && low >= 0 && high > 100)
      return Math.min(
        high,
        Math.max(
          low,
          Math.exp(Math.log(Math.max(low, 0.1)) + random() * Math.log(high / Math.max(low, 0.1))),
        ),
      );
    return low + random() * (high - low);
  };
  const whole = (low: number, high: number): number => Math.round(between(low, high));
  const of = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const maybe = <T>(make: () => T): T | undefined => (random() < 0.5 ? make() : undefined);
  return { between, whole, of, maybe };
}
type Numbers = ReturnType<typeof numbers>;

/** Without what was left open: a schema that allows a field to be absent does not allow it to be undefined. */
const given = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined)) as T;

const LIDS = ['on', 'ajar', 'off'] as const;

/** Any step the schema lets through. */
function anyStep({ between, whole, of, maybe }: Numbers): Step {
  const foods = catalogue();
  const portion = (): Portion =>
    given({
      ingredient: of(foods).id,
      amount: between(0, of([50, 2000, 2e6])),
      celsius: maybe(() => between(-25, 200)),
      as: maybe(() => of(['puree', 'mash'] as const)),
      cut: maybe(() => ({ shape: of(['slab', 'rod', 'cube'] as const), edgeMm: between(1, 80) })),
    });
  const items = () => Array.from({ length: whole(1, 3) }, portion);
  const minutes = () => between(0, of([30, 600]));
  const flame = () => between(0.05, 1);
  const kind = of<StepKind>([
    'sweat',
    'roux',
    'dust',
    'add',
    'bring-to',
    'simmer',
    'puree',
    'season',
    'render',
    'reduce',
    'strain',
    'thicken',
    'temper',
    'poach',
    'rest',
    'hold',
    'chill',
    'reheat',
    'keep',
    'pour',
    'roast',
  ]);
  const lid = of(LIDS);
  const standing = () => ({ offHeat: maybe(() => true), minutes: maybe(minutes) });
  const made: Record<StepKind, () => object> = {
    sweat: () => ({
      items: items(),
      minutes: minutes(),
      to: of(['translucent', 'gold']),
      lid: maybe(() => lid),
    }),
    roux: () => ({
      flour: portion(),
      fat: portion(),
      rule: of(EQUAL_PARTS),
      colour: of(ROUX_COLOURS),
      minutes: minutes(),
    }),
    dust: () => ({ flour: portion(), minutes: minutes(), offHeat: maybe(() => true) }),
    add: () => ({ items: items(), gradually: maybe(() => true), lid: maybe(() => lid), ...standing() }),
    'bring-to': () => ({ to: of(['simmer', 'boil', between(30, 100)]), flame: flame(), lid }),
    simmer: () => ({ minutes: minutes(), untilTender: maybe(() => true), lid, flame: maybe(flame) }),
    puree: () => ({
      fraction: between(0, 1),
      of: maybe(() => [of(foods).id, `${of(foods).id}#${whole(1, 3)}`]),
      reserve: maybe(() => between(0, 0.95)),
      tool: of(PUREE_TOOLS),
      ...standing(),
    }),
    season: () => ({ items: items(), ...standing() }),
    render: () => ({ items: items(), minutes: minutes(), keep: between(0, 1) }),
    reduce: () => ({
      flame: flame(),
      to: of([{ share: between(0.1, 1) }, { dropMm: between(0.1, 400) }, { minutes: minutes() }]),
    }),
    strain: () => ({
      keeps: maybe(() => between(0, 1)),
      of: maybe(() => [of(foods).id]),
      minutes: maybe(minutes),
    }),
    thicken: () => ({
      method: of(THICKEN_METHODS),
      thickener: portion(),
      carrier: maybe(portion),
      colour: maybe(() => of(ROUX_COLOURS)),
      additions: maybe(() => whole(1, 6)),
      minutes: minutes(),
      lid: maybe(() => lid),
    }),
    temper: () => ({ items: items(), warmTo: between(40, 75), to: between(50, 90), flame: flame() }),
    poach: () => ({ items: items(), at: between(60, 98), lid }),
    rest: () => ({ minutes: minutes(), lid }),
    hold: () => ({ minutes: minutes(), at: between(50, 95), lid }),
    chill: () => ({ method: of(COOLING_METHODS), depthMm: between(10, 400), to: between(1, 20) }),
    reheat: () => ({ to: between(60, 95), flame: flame(), lid }),
    keep: () => ({ days: whole(1, 365), at: between(-40, 15) }),
    pour: () => ({
      takes: of(TAKES),
      share: maybe(() => between(0.01, 1)),
      gradually: maybe(() => true),
      minutes: maybe(minutes),
    }),
    roast: () => ({
      items: items(),
      at: between(80, 300),
      minutes: minutes(),
      loads: maybe(() => whole(1, 9)),
    }),
  };
  return given({ kind, ...made[kind]() }) as Step;
}

/** Any body the schema lets through, of a batch with `steps` steps and the events `ids`. */
function anyBody(n: Numbers, steps: number, ids: readonly string[]): EventBody {
  const { between, whole, of, maybe } = n;
  const step = () => whole(0, steps - 1);
  const key = () => (ids.length > 0 && between(0, 1) < 0.2 ? of(ids) : step());
  const earlier = () => (ids.length > 0 ? of(ids) : '00000000-0000-4000-8000-000000000000');
  const flow = (): EventBody => ({
    kind: 'flow',
    test: of([
      { kind: 'cup', orifice: of([3, 4, 5, 6] as const) },
      {
        kind: 'funnel',
        name: 'Galley funnel',
        funnel: { a: between(0.001, 10), b: between(-20, 20) },
        orificeMm: between(1, 30),
        ml: between(5, 2000),
      },
      { kind: 'line spread', ml: between(5, 500), seconds: between(1, 600) },
      { kind: 'trough', mm2: between(50, 20_000), seconds: between(1, 600) },
      { kind: 'spoon', widthMm: between(5, 300), heightMm: between(5, 300), seconds: between(1, 120) },
    ]),
    readings: Array.from({ length: whole(1, 3) }, () => between(0.05, 3600)),
    celsius: between(1, 100),
  });
  const kinds: readonly (() => EventBody)[] = [
    // Most of what is tapped is that something is done.
    () => ({ kind: 'step-done', step: key() }),
    () => ({ kind: 'step-done', step: step() }),
    () => ({ kind: 'step-skipped', step: key(), reason: 'not today' }),
    () =>
      given({
        kind: 'step-added' as const,
        before: whole(0, 81),
        title: 'One more',
        minutes: maybe(() => between(0, 600)),
        does: maybe(() => anyStep(n)),
      }),
    () => given({ kind: 'step-added' as const, before: step(), title: 'One more', does: anyStep(n) }),
    () => ({ kind: 'part-done', step: key(), part: whole(0, 99) }),
    () => ({ kind: 'weighed', step: step(), item: whole(0, 40), g: between(0, of([2000, 2e6])) }),
    () =>
      given({
        kind: 'put-in' as const,
        ingredient: of(catalogue()).id,
        g: between(0.1, 2e5),
        celsius: maybe(() => between(-25, 100)),
      }),
    () => given({ kind: 'put-in' as const, ingredient: 'water', g: 10_000, celsius: maybe(() => -25) }),
    () => ({ kind: 'colour', step: step(), colour: of(ROUX_COLOURS) }),
    () => given({ kind: 'temperature' as const, celsius: between(-30, 200), from: maybe(() => 'Probe 1') }),
    () => ({ kind: 'temperature', celsius: between(60, 100) }),
    () => ({ kind: 'depth', mm: between(1, 1200) }),
    () => ({ kind: 'volume', ml: between(20, 600_000) }),
    () => ({ kind: 'mass', g: between(20, 600_000) }),
    flow,
    flow,
    () =>
      given({
        kind: 'syringe' as const,
        mlLeft: between(0, 10),
        flows: of([true, false]),
        celsius: maybe(() => between(1, 100)),
      }),
    () => ({ kind: 'salt', taste: of(TASTE) }),
    () => ({ kind: 'dice', fork: of(FORK) }),
    () => ({ kind: 'look', looks: of(LOOKS) }),
    () => ({ kind: 'timer-started', name: 'Stir', seconds: between(1, 86_400) }),
    () => ({ kind: 'timer-stopped', timer: earlier() }),
    () => ({
      kind: 'paired',
      what: of(['thermometer', 'scale', 'flow timer'] as const),
      device: of(['probe-1', null]),
    }),
    () => ({ kind: 'note', text: 'a note' }),
    () =>
      given({ kind: 'finished' as const, goesTo: of(GOES_TO), yieldMl: maybe(() => between(0, 600_000)) }),
    () => ({ kind: 'cleared' }),
    () => ({ kind: 'withdrawn', event: earlier() }),
  ];
  return of(kinds)();
}

const idOf = (seed: number, n: number): string =>
  `00000000-0000-4000-8${String(seed % 1000).padStart(3, '0')}-${String(n).padStart(12, '0')}`;

/** A history anybody's stations could have written, the same for the same seed; every event is one the schema takes. */
export function historyOf(seed: number): History {
  const random = seeded(seed * 2_654_435_761);
  const n = numbers(random);
  const ids = demoIds();
  const { batch, plan, start } = soup(
    ids[seed % ids.length] as string,
    HOMES[Math.floor(seed / ids.length) % HOMES.length] as (typeof HOMES)[number],
  );
  const length = n.whole(1, 14);
  const seconds = plan.steps.at(-1)?.startsAt ?? 3600;
  const events: BatchEvent[] = [];
  let clock = 0;
  for (let k = 0; k < length; k++) {
    const how = random();
    // Mostly one after another; some at the very start, before it, or a day away.
    if (how < 0.75) clock += random() * (seconds / 4);
    const at =
      how < 0.8 ? clock * 1000 : how < 0.86 ? 0 : how < 0.9 ? -random() * 60_000 : n.between(-DAY_MS, DAY_MS);
    events.push(
      BatchEvent.parse({
        id: idOf(seed, k),
        at: new Date(start + Math.round(at)).toISOString(),
        station: n.of(['Opener', 'Closer']),
        body: EventBody.parse(
          anyBody(
            n,
            batch.plan.steps.length,
            events.map((e) => e.id),
          ),
        ),
      }),
    );
  }
  // Done at once, in their order, as a hurried cook taps.
  if (random() < 0.3)
    for (let step = 0; step < batch.plan.steps.length; step++)
      events.push({
        id: idOf(seed, 100 + step),
        at: new Date(start + (seconds * 1000 * (step + 1)) / batch.plan.steps.length)
          .toISOString()
          .replace(/\.\d+Z$/, '.000Z'),
        station: 'Opener',
        body: { kind: 'step-done', step },
      });
  if (random() < 0.3) events.sort(() => random() - 0.5);
  return { seed, batch: { ...batch, events } };
}

/** Every number in `value` that is none, by its path. */
function notNumbers(value: unknown, path = ''): readonly string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path} is ${value}`];
  if (typeof value !== 'object' || value === null) return [];
  const entries: (readonly [unknown, unknown])[] =
    value instanceof Map
      ? [...value]
      : value instanceof Set
        ? [...value].map((v, k) => [k, v])
        : Object.entries(value);
  return entries.flatMap(([key, inner]) => notNumbers(inner, `${path}.${String(key)}`)).slice(0, 3);
}

/**
 * What the rail, the stove, Check and Fix ask of a batch, asked after every event it has, with the clock
 * at the event and `later` on; what cannot be answered, in words.
 */
export function broken({ seed, batch }: History): string | null {
  try {
    // One in four tap by tap, as the stove hears them; the others at once, as a page that is opened does.
    let f: Followed | null = null;
    for (let n = seed % 4 === 0 ? 0 : batch.events.length; n <= batch.events.length; n++) {
      f = follow({ ...batch, events: batch.events.slice(0, n) }, f);
      const wrong = notNumbers({ variants: f?.variants, belief: f?.belief, stepFrom: f?.stepFrom });
      if (wrong.length > 0) return `after event ${n}: ${wrong.join(', ')}`;
    }
    const whole = f;
    if (!whole) return 'it is not followed';
    const last = Math.max(whole.startedAt, ...batch.events.map((e) => Date.parse(e.at)));
    {
      const now = seed % 2 === 0 ? last : last + 20 * 60_000;
      const to = ahead(whole, now, batch.plan.litres);
      const pot = potAt(whole, now);
      const doubt = doubtAhead(whole, to);
      const wrong = notNumbers({
        end: to.end,
        endsAt: to.endsAt,
        short: to.short,
        rescale: to.rescale,
        doubt,
        seen: observe(pot.variant.pot, pot.variant.kitchen),
        left: pot.secondsLeft,
        measured: measuredFrom(whole, now, batch.plan.litres),
        ages: agesOf(whole),
        clash: contradictionIn(whole),
        causes: causesOf(whole, doubt.slopes).map((c) => c.by),
      });
      if (wrong.length > 0) return `ahead: ${wrong.join(', ')}`;
      const endsAt = stepEndsAt(whole);
      const ticket = ticketOf(batch, now, { celsius: pot.variant.pot.celsius, endsAt });
      if (ticket && Number.isNaN(Date.parse(ticket.until))) return `ticket: until ${ticket.until}`;
    }
    return null;
  } catch (error) {
    return error instanceof Error
      ? `${error.message} ${error.stack?.split('\n').slice(1, 4).join(' ')}`
      : String(error);
  }
}

/** The shortest history that still breaks, by leaving out event after event. */
export function shrunk(history: History): History {
  let { events } = history.batch;
  for (let n = 0; n < events.length; ) {
    const less = events.toSpliced(n, 1);
    const smaller = { ...history, batch: { ...history.batch, events: less } };
    if (broken(smaller)) events = less;
    else n++;
  }
  return { ...history, batch: { ...history.batch, events } };
}
