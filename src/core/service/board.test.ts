import { demoFile } from '../../../demo/demo';
import { planFor } from '../plan/plan';
import { Recipe } from '../recipe/recipe';
import { inEnglish } from '../text/inWords';
import { mendsFor } from './arrange/mend';
import { boardOf, type Clash, moved, placeOf, settled } from './board';
import { miseMinutes } from './pace';
import { batchesOf, clockOf } from './service';
import { HOUSE, here, RECIPES, service, soup } from './testKit';
import { handsOf, toolIn } from './timetable';
import { Timetables } from './timetables';
import { shoppingOf, summed, todayOf } from './today';
import { clashWords, mendWords } from './words/serviceWords';

const named = { soup: (key: string) => RECIPES.get(key.split('/')[0]!)?.name ?? key, opens: 360 };
const said = (clash: Clash) => inEnglish(clashWords(clash, named));
const CARROT = soup('roast-carrot-cream', { amount: { litres: 4 } });
const PARSNIP = soup('smoked-parsnip-veloute', { vesselId: 'tall-steel-36' });
const kinds = (clashes: readonly Clash[]) => clashes.map((c) => c.kind);

describe('a board as it lies', () => {
  test('with nobody having said where: each on its own burner, ready just in time, weighed out right before', () => {
    const { bars, clashes, firstFlame } = boardOf(service([CARROT]), here());
    const [bar] = bars;
    expect(bar).toMatchObject({ readyAt: 705, held: 0 });
    expect(bar!.lightAt).toBe(705 - bar!.table!.minutes);
    expect(bar!.mise).toEqual({ from: bar!.lightAt - bar!.table!.mise, to: bar!.lightAt });
    expect(firstFlame).toBe(bar!.lightAt);
    expect(clashes).toEqual([]);
  });

  test('two on one burner clash where they lie over each other, in words with both times', () => {
    const { clashes, bars } = boardOf(service([CARROT, PARSNIP], { hands: 9 }), here());
    const later = bars.map((b) => b.lightAt).sort()[1]!;
    expect(clashes).toHaveLength(1);
    expect(said(clashes[0]!)).toBe(
      `Roast-carrot cream and Smoked parsnip velouté want Front left at once, ${clockOf(later)} to 11:45`,
    );
  });

  test('it waits hot until its last draw, not its first', () => {
    const drawn = (last: number) =>
      boardOf(
        service([
          soup('roast-carrot-cream', {
            amount: { litres: 4 },
            draws: [
              { at: 705, part: 1 },
              { at: last, part: 1 },
            ],
          }),
        ]),
        here(),
      ).clashes;
    // Its cream waits two hours at most.
    expect(drawn(705 + 120)).toEqual([]);
    expect(kinds(drawn(705 + 121))).toEqual(['waits']);
    expect(drawn(705 + 121)[0]).toMatchObject({ minutes: 121, most: 120 });
  });

  test('a pot is taken until its last draw and washed; another soup may have it then and not before', () => {
    const second = (at: number) =>
      soup('green-pea-and-lettuce-cream', { burnerId: 'front-right', draws: [{ at, part: 1 }] });
    const board = (at: number, wash: number) =>
      boardOf(service([CARROT, second(at)], { hands: 9, wash }), here()).clashes;
    const takes = boardOf(service([second(900)]), here()).bars[0]!.table!.minutes;
    expect(board(705 + takes, 0)).toEqual([]);
    expect(board(705 + takes + 10, 10)).toEqual([]);
    const [clash] = board(705 + takes + 9, 10);
    expect(said(clash!)).toMatch(/want the pot Middle 28 at once, 11:54 to 11:55$/);
  });

  test('kept hot on its burner it keeps that too', () => {
    const two = [
      soup('smoked-parsnip-veloute', {
        draws: [
          { at: 705, part: 1 },
          { at: 780, part: 1 },
        ],
      }),
      soup('green-pea-and-lettuce-cream', { vesselId: 'tall-steel-36', draws: [{ at: 780, part: 1 }] }),
    ];
    const clashes = (keptOn: 'bath' | 'burner') =>
      boardOf(service(two, { hands: 9, keptOn }), here()).clashes.map(said);
    expect(clashes('bath')).toEqual([]);
    expect(clashes('burner')[0]).toMatch(/want Front left at once/);
  });

  test('more hands than there are, and a tool that is not there, are told with their figures', () => {
    const apart = [CARROT, { ...PARSNIP, order: { ...PARSNIP.order, burnerId: 'front-right' } }];
    const clashes = boardOf(service(apart, { hands: 1 }), here()).clashes.map(said);
    expect(clashes[0]).toMatch(/^2 pairs of hands wanted, 1 there, \d\d:\d\d to \d\d:\d\d: /);
    const tools = { 'stick blender': 0, 'jug blender': 0, sieve: 0 };
    const none = boardOf(service([CARROT], { hands: 9, tools }), here()).clashes.map(said);
    expect(none).toEqual(['Roast-carrot cream wants a jug blender, and there is none']);
  });

  test('late, waiting too long, before the kitchen opens, gone by: each is told', () => {
    const at = (lightAt: number) => ({
      [CARROT.id]: { burnerId: 'front-left', vesselId: 'middle-28', lightAt },
    });
    const board = (lightAt: number, more = {}, now: number | null = null) =>
      boardOf(service([CARROT], { placed: at(lightAt), ...more }), here({ now })).clashes;
    const takes = boardOf(service([CARROT]), here()).bars[0]!.table!.minutes;
    expect(said(board(705 - takes + 7)[0]!)).toBe('Roast-carrot cream is 7 min late for 11:45');
    expect(said(board(705 - takes - 121)[0]!)).toBe(
      'Roast-carrot cream waits hot 121 min, 120 at most: dairy skins over and grains, kept hot',
    );
    expect(said(board(705 - takes, { opens: 700 - takes })[0]!)).toMatch(
      /before the kitchen opens at 06:00$/,
    );
    expect(said(board(705 - takes, {}, 700)[0]!)).toBe(
      `Roast-carrot cream should have been lit at ${clockOf(705 - takes)}`,
    );
    expect(board(705 - takes - 120)).toEqual([]);
  });

  test('what cannot be cooked there is said with its plan’s own warning', () => {
    const flood = soup('roast-carrot-cream', { amount: { litres: 30 } });
    const [clash] = boardOf(service([flood]), here()).clashes;
    expect(clash?.kind).toBe('cannot');
    expect(said(clash!)).toMatch(/^Roast-carrot cream: .*Middle 28/);
    const nowhere = soup('roast-carrot-cream', { burnerId: 'gone' });
    expect(said(boardOf(service([nowhere]), here()).clashes[0]!)).toMatch(/no plan can be made of it/);
  });

  test('a batch under way lies where its record has it, and what is over no longer counts', () => {
    const live = { lightAt: 640, readyAt: 717, finished: false, over: false };
    const on = (more: object) =>
      boardOf(service([CARROT]), here({ live: { [CARROT.id]: { ...live, ...more } } }));
    expect(on({}).bars[0]).toMatchObject({ lightAt: 640, readyAt: 717 });
    expect(kinds(on({}).clashes)).toEqual(['late']);
    expect(on({ over: true }).clashes).toEqual([]);
    expect(on({ over: true }).hands).toEqual([]);
    expect(on({ finished: true }).hands).toEqual([]);
  });
});

test('a batch moved takes its weighing out with it, is pinned, and the others lie as they did', () => {
  const one = service([CARROT, PARSNIP], {
    placed: { [CARROT.id]: { burnerId: 'front-left', vesselId: 'middle-28', lightAt: 600, miseAt: 570 } },
  });
  const next = moved(one, here(), CARROT.id, { lightAt: 590, burnerId: 'front-right' });
  expect(next.placed[CARROT.id]).toEqual({
    burnerId: 'front-right',
    vesselId: 'middle-28',
    lightAt: 590,
    miseAt: 560,
    pinned: true,
  });
  const chowder = batchesOf(one)[1]!;
  expect(next.placed[PARSNIP.id]).toEqual(placeOf(one, chowder, here()));
  expect(moved(one, here(), 'none', { lightAt: 1 })).toBe(one);
});

describe('what would mend a clash', () => {
  const two = settled(service([CARROT, PARSNIP], { hands: 9 }), here());
  const [clash] = boardOf(two, here()).clashes;
  const mends = mendsFor(two, here(), clash!);

  test('each mends it and makes nothing else worse, and leaves nothing late', () => {
    expect(mends.length).toBeGreaterThanOrEqual(2);
    for (const m of mends) expect(boardOf(m.service, here()).clashes).toEqual([]);
  });

  test('the least change first, and it says what it does', () => {
    const held = mends.map((m) => m.held + Math.max(0, m.longer));
    expect(held[0]).toBe(Math.min(...held));
    expect(mends.map((m) => inEnglish(mendWords(m, named)))[0]).toMatch(
      /^(Roast-carrot cream|Smoked parsnip velouté) on (Front right|Back plate|Floor ring): (as quick|\d+ min (longer|quicker))$/,
    );
  });

  test('a move is no further than it has to be', () => {
    const sooner = mendsFor(
      service([CARROT, { ...PARSNIP, order: { ...PARSNIP.order, burnerId: 'front-right' } }], { hands: 1 }),
      here(),
      boardOf(
        service([CARROT, { ...PARSNIP, order: { ...PARSNIP.order, burnerId: 'front-right' } }], { hands: 1 }),
        here(),
      ).clashes[0]!,
    ).find((m) => !m.burner && !m.pot);
    if (!sooner) return;
    const back = moved(sooner.service, here(), sooner.key, {
      lightAt: (sooner.to.lightAt ?? 0) + Math.sign(sooner.sooner),
    });
    expect(boardOf(back, here()).clashes.length).toBeGreaterThan(
      boardOf(sooner.service, here()).clashes.length,
    );
  });

  test('a batch under way is not moved', () => {
    const live = { [CARROT.id]: { lightAt: 650, readyAt: 705, finished: false, over: false } };
    const of = here({ live });
    const clashes = boardOf(two, of).clashes;
    for (const c of clashes) for (const m of mendsFor(two, of, c)) expect(m.key).toBe(PARSNIP.id);
  });
});

describe('how long and by whom', () => {
  const table = boardOf(service([CARROT]), here()).bars[0]!.table!;
  test('stretches follow one another from the flame to ready, and hands are wanted in some of them', () => {
    expect(table.stretches[0]?.from).toBe(0);
    expect(table.stretches.at(-1)?.to).toBe(table.minutes);
    const at = handsOf(table);
    expect(at.length).toBeGreaterThan(0);
    expect(at.reduce((sum, s) => sum + s.to - s.from, 0)).toBeLessThan(table.minutes);
    for (const [n, s] of at.entries()) if (n > 0) expect(s.from).toBeGreaterThan(at[n - 1]!.to + 3);
  });
  test('a batch takes no less on the board than its plan does, and not a minute more', () => {
    const plan = planFor(
      RECIPES.get('roast-carrot-cream')!,
      { litres: 4, target: CARROT.order.target },
      {
        vessel: HOUSE.vessels.find((v) => v.id === 'middle-28')!,
        burner: HOUSE.burners.find((b) => b.id === 'front-left')!,
        kitchen: HOUSE.kitchen,
      },
    );
    expect(table.minutes).toBeGreaterThanOrEqual(plan.seconds / 60);
    expect(table.minutes).toBeLessThan(plan.seconds / 60 + 1);
  });
  test('what was worked out before it changes no timetable', () => {
    const order = { ...CARROT.order, litres: 4, burnerId: 'back-plate' };
    const alone = new Timetables(HOUSE, RECIPES).of(order);
    const after = new Timetables(HOUSE, RECIPES);
    for (const burnerId of ['front-left', 'floor-ring', 'front-right']) after.of({ ...order, burnerId });
    expect(after.of(order)).toEqual(alone);
  });
  test('shells that are strained off toughen nothing', () => {
    const body = demoFile('crab-shell-bisque');
    for (const step of body.steps)
      if (step.items)
        step.items = step.items.filter((i: { ingredient: string }) => i.ingredient !== 'crab-meat');
    const tables = new Timetables(HOUSE, new Map([['crab-shell-bisque', Recipe.parse(body)]]));
    const bisque = soup('crab-shell-bisque');
    const wait = (of: Timetables) => of.of({ ...bisque.order, litres: 6 })?.wait.minutes;
    expect(wait(tables)).toBe(120);
    expect(boardOf(service([bisque]), here()).bars[0]!.table!.wait.minutes).toBe(45);
  });
  test('a blender is wanted while it blends', () => {
    const puree = table.stretches.find((s) => s.kind === 'puree')!;
    expect(toolIn(table, 'jug blender')).toEqual([{ from: puree.from, to: puree.to }]);
    expect(toolIn(table, 'sieve')).toEqual([]);
  });
  test('weighing a line takes three quarters of a minute, trimming a kilogram two and a half more', () => {
    const line = { g: 1000, asPurchased: 1000, prep: undefined };
    expect(miseMinutes([line, line, line, line])).toBe(3);
    expect(miseMinutes([{ ...line, asPurchased: 2000 }])).toBe(6);
    expect(miseMinutes([{ ...line, prep: 'in dice' }])).toBe(4);
  });
  test('what keeps badly waits less: a liaison, peas, cream', () => {
    const wait = (id: string) => boardOf(service([soup(id)]), here()).bars[0]!.table!.wait;
    expect(wait('mussel-veloute-with-liaison')).toMatchObject({ minutes: 20 });
    expect(wait('green-pea-and-lettuce-cream')).toMatchObject({ minutes: 40 });
    expect(wait('roast-carrot-cream')).toMatchObject({ minutes: 120 });
  });
});

describe('today', () => {
  const board = boardOf(
    service([
      { ...CARROT, role: 'Opener' },
      soup('smoked-parsnip-veloute', { vesselId: 'tall-steel-36', burnerId: 'front-right' }),
    ]),
    here(),
  );
  const tasks = todayOf(board, (id) => HOUSE.burners.find((b) => b.id === id)!.name);
  test('is one list by the clock: weigh, light, every step somebody stands at, the pass', () => {
    expect(tasks.map((t) => t.at)).toEqual(tasks.map((t) => t.at).toSorted((a, b) => a - b));
    const carrot = tasks.filter((t) => t.key === CARROT.id);
    const rest = carrot.map((t) => t.kind).filter((k) => k !== 'step' && k !== 'stir');
    expect(rest).toEqual(['weigh', 'light', 'pass']);
    expect(carrot.filter((t) => t.kind === 'step')).toHaveLength(
      board.bars[0]!.table!.stretches.filter((s) => s.hands).length,
    );
    expect(carrot.every((t) => t.role === 'Opener')).toBe(true);
    expect(inEnglish(carrot[1]!.does)).toBe('Light Front left');
  });
  test('has the bottom stirred every ten minutes of a simmer or a way up that nobody stands at', () => {
    const { table, readyAt } = board.bars[1]!;
    const shift = readyAt - table!.minutes;
    const long = table!.stretches.filter(
      (s) => ['simmer', 'bring-to'].includes(s.kind) && s.to - s.from >= 15,
    );
    const stirs = tasks.filter((t) => t.kind === 'stir' && t.key === board.bars[1]!.batch.key);
    expect(long.length).toBeGreaterThan(0);
    for (const s of long) expect(stirs.map((t) => t.at)).toContain(s.from + shift + 10);
    for (const t of stirs)
      expect(table!.stretches.some((s) => !s.hands && t.at > s.from + shift && t.at < s.to + shift)).toBe(
        true,
      );
  });
  test('weighs each thing once for all, and says how much of it is for which', () => {
    const butter = summed(board).find((l) => l.ingredient === 'butter')!;
    const each = board.bars.map((b) =>
      b.table!.weighOut.filter((l) => l.ingredient === 'butter').reduce((sum, l) => sum + l.g, 0),
    );
    expect(butter.g).toBeCloseTo(each[0]! + each[1]!, 6);
    expect(butter.of.map((o) => o.g)).toEqual([expect.closeTo(each[0]!, 6), expect.closeTo(each[1]!, 6)]);
    const shop = shoppingOf(board, HOUSE.kitchen).lines.find((l) => l.ingredient === 'butter')!;
    expect(shop.g).toBeCloseTo(butter.asPurchased, 6);
  });
});
