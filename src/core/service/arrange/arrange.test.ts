import { holds } from '../../schedule/problem';
import { schedule, scheduled } from '../../schedule/schedule';
import { inEnglish } from '../../text/inWords';
import { boardOf, panBarsOf } from '../board';
import { batchesOf, type Service } from '../service';
import { HOUSE, here, RECIPES, service, soup } from '../testKit';
import { shoppingOf, summed } from '../today';
import { clashWords, reliefWords } from '../words/serviceWords';
import { arranged, type Outcome } from './arrange';
import { jobsOf, placesOf, standsFor } from './jobs';
import { leastFirst, type Relief } from './relief';
import { reliefs } from './why';

const THURSDAY = service(
  [
    soup('smoked-parsnip-veloute', {
      vesselId: 'tall-steel-36',
      amount: { litres: 12 },
      draws: [
        { at: 705, part: 1 },
        { at: 780, part: 1 },
      ],
    }),
    soup('cockle-and-leek-chowder', { amount: { litres: 8 } }),
    soup('crab-shell-bisque', {
      vesselId: 'deep-42',
      amount: { litres: 20 },
      draws: [{ at: 780, part: 1 }],
    }),
    soup('green-pea-and-lettuce-cream', { draws: [{ at: 780, part: 1 }] }),
    soup('roast-carrot-cream', { vesselId: 'low-wide-26', amount: { litres: 3 } }),
  ],
  { opens: 480 },
);

const done = (outcome: Outcome) => {
  if (outcome.kind !== 'arranged') throw new Error('it was not arranged');
  return outcome.arranged;
};
const onBoard = (of: Service, outcome: Outcome, more = {}) =>
  boardOf({ ...of, placed: { ...of.placed, ...done(outcome).placed } }, here(more));

describe('a day arranged', () => {
  const outcome = arranged(THURSDAY, here());
  test('is proven the best, and lies on the board without a clash', () => {
    expect(done(outcome)).toMatchObject({ proven: true, handsProven: true, hands: 2 });
    expect(done(outcome).held).toBe(done(outcome).heldBound);
    expect(onBoard(THURSDAY, outcome).clashes).toEqual([]);
  });

  test('what it says of minutes held and of hands is what the board says', () => {
    const board = onBoard(THURSDAY, outcome);
    expect(board.bars.reduce((sum, b) => sum + b.held, 0)).toBe(done(outcome).held);
    expect(Math.max(...board.hands.map((l) => l.count))).toBe(done(outcome).hands);
  });

  test('with one pair of hands fewer it is held longer, or cannot be', () => {
    const fewer = arranged({ ...THURSDAY, hands: 1 }, here());
    if (fewer.kind === 'arranged') expect(fewer.arranged.held).toBeGreaterThan(done(outcome).held);
    else expect(fewer.proven).toBe(true);
  });

  test('what is pinned, and what is under way, stays where it is', () => {
    const place = { burnerId: 'front-right', vesselId: 'low-wide-26', lightAt: 640, pinned: true };
    const pinned = { ...THURSDAY, placed: { 'roast-carrot-cream': place } };
    expect(done(arranged(pinned, here())).placed['roast-carrot-cream']).toMatchObject({
      burnerId: 'front-right',
      lightAt: 640,
    });
    const live = {
      'crab-shell-bisque': { lightAt: 540, readyAt: 742, finished: false, over: false },
    };
    const at = { burnerId: 'floor-ring', vesselId: 'deep-42', lightAt: 540 };
    // Its base stands in the pot the velouté would have: that is cooked another day.
    const soups = THURSDAY.soups.filter((s) => s.id !== 'smoked-parsnip-veloute');
    const running = { ...THURSDAY, soups, placed: { 'crab-shell-bisque': at } };
    const again = arranged(running, here({ live, now: 545 }));
    const board = onBoard(running, again, { live, now: 545 });
    expect(board.clashes).toEqual([]);
    expect(board.bars.find((b) => b.batch.key === 'crab-shell-bisque')).toMatchObject({
      lightAt: 540,
      readyAt: 742,
    });
    for (const b of board.bars) if (!b.live) expect(b.lightAt).toBeGreaterThanOrEqual(545);
  });

  test('what was to be weighed out by now is weighed out, and what was begun needs the rest of its minutes', () => {
    const [carrot] = THURSDAY.soups.filter((s) => s.id === 'roast-carrot-cream');
    const one = { ...THURSDAY, soups: [carrot!] };
    const place = { burnerId: 'front-right', vesselId: 'low-wide-26', lightAt: 668, miseAt: 600 };
    const mise = boardOf(one, here()).bars[0]!.table!.mise;
    const minutes = (now: number | null) =>
      jobsOf({ ...one, placed: { [carrot!.id]: place } }, here({ now }), (b) => standsFor(b, HOUSE))
        .problem.tasks.filter((t) => t.id.endsWith('mise'))
        .map((t) => t.modes[0].duration);
    expect(minutes(null)).toEqual([mise]);
    expect(minutes(600)).toEqual([mise]);
    expect(minutes(604)).toEqual([mise - 4]);
    expect(minutes(600 + mise)).toEqual([]);
    const again = done(arranged({ ...one, placed: { [carrot!.id]: place } }, here({ now: 640 })));
    expect(again.placed[carrot!.id]?.miseAt).toBe(600);
  });

  test('told that it has had time enough it stands with what it had, and a bound', () => {
    const hurried = done(arranged(THURSDAY, here(), (s) => s.at !== 'tables' && s.held !== null));
    expect(hurried.proven).toBe(false);
    expect(hurried.heldBound).toBeLessThanOrEqual(hurried.held);
    expect(hurried.held).toBeGreaterThanOrEqual(done(outcome).held);
  });
});

test('counted backwards and forwards the same: what the solver holds for right, the board does', () => {
  const jobs = jobsOf(THURSDAY, here(), (b) => standsFor(b, HOUSE));
  const run = schedule(jobs.problem);
  // The bisque’s base stands on a second burner: a first answer takes a search.
  let step = run.next();
  while (!step.done && !step.value.placement) step = run.next();
  const { placement } = step.value;
  if (!placement) throw new Error('no first answer');
  expect(holds(jobs.problem, placement)).toBe(true);
  const placed = placesOf(jobs, placement);
  const board = boardOf({ ...THURSDAY, placed }, here());
  expect(board.clashes).toEqual([]);
  expect(board.bars.every((b) => b.readyAt <= b.batch.due)).toBe(true);
});

test('a side pan takes its burner and pot, and the oven so many trays, from when it goes on until it is poured', () => {
  const bisque = service([soup('crab-shell-bisque', { vesselId: 'middle-28', amount: { litres: 6 } })]);
  const board = boardOf(bisque, here());
  const [bar] = board.bars;
  const [tray, base] = panBarsOf(board.bars);
  if (!bar?.table || !tray || !base) throw new Error('it has a tray and a base pot');
  expect(tray).toMatchObject({ name: 'tray', burnerId: null, from: bar.lightAt });
  expect(tray.to - tray.from).toBe(20);
  expect(base.burnerId).not.toBe(bar.place.burnerId);
  // It is off its burner once it has been strained, well before the soup is ready.
  expect(base.to).toBeLessThan(bar.readyAt - 20);
  const moved = { ...bisque, placed: { 'crab-shell-bisque': { ...bar.place, lightAt: bar.lightAt - 30 } } };
  expect(panBarsOf(boardOf(moved, here()).bars).map((p) => p.from)).toEqual([tray.from - 30, base.from - 30]);
  const stand = { vesselId: 'middle-28', burnerId: bar.place.burnerId };
  const jobs = jobsOf(bisque, here(), () => [stand]);
  const uses = (id: string) => {
    const r = jobs.problem.resources.findIndex((x) => x.id === id);
    return jobs.problem.tasks[0]?.modes[0]?.uses.filter((u) => u.resource === r) ?? [];
  };
  expect(uses('oven')).toMatchObject([{ amount: tray.trays }]);
  expect(uses(`burner ${base.burnerId}`)).toHaveLength(1);
  expect(uses(`pot ${base.vesselId}`)).toHaveLength(1);
});

test('two soups that want more trays than the oven takes at once clash, and say so', () => {
  const both = service([
    soup('crab-shell-bisque', { vesselId: 'middle-28', amount: { litres: 6 } }),
    soup('crab-shell-bisque', { id: 'again', vesselId: 'tall-steel-36', amount: { litres: 6 } }),
  ]);
  const trays = (n: number) => {
    const { kitchen } = HOUSE;
    const house = {
      ...HOUSE,
      kitchen: { ...kitchen, stands: { vessels: HOUSE.vessels, burners: HOUSE.burners, trays: n } },
    };
    return boardOf(both, { ...here(), house }).clashes.flatMap((c) =>
      c.kind === 'shared' && c.shared.kind === 'oven'
        ? [inEnglish(clashWords(c, { soup: (k) => k, opens: 0 }))]
        : [],
    );
  };
  expect(trays(20)).toEqual([]);
  expect(trays(3)[0]).toMatch(/^crab-shell-bisque and again want \d trays of the oven, 3 there, /);
});

test('a batch’s own pot and burner come first of where it might stand, and no pot it drowns in or flows over', () => {
  const [batch] = batchesOf(
    service([soup('crab-shell-bisque', { vesselId: 'deep-42', amount: { litres: 20 } })]),
  );
  const stands = standsFor(batch!, HOUSE);
  expect(stands[0]).toEqual({ vesselId: 'deep-42', burnerId: 'front-left' });
  expect(new Set(stands.map((s) => s.vesselId))).toEqual(new Set(['deep-42', 'tall-steel-36']));
});

describe('a day that cannot be', () => {
  const friday = service(
    [
      soup('mussel-veloute-with-liaison', { amount: { litres: 8 }, draws: [{ at: 720, part: 1 }] }),
      soup('haddock-and-sweetcorn-chowder', {
        vesselId: 'tall-steel-36',
        amount: { litres: 14 },
        draws: [{ at: 720, part: 1 }],
      }),
      soup('jacket-potato-soup', {
        vesselId: 'deep-42',
        amount: { litres: 18 },
        draws: [{ at: 720, part: 1 }],
      }),
      soup('celeriac-and-pear-cream', { draws: [{ at: 735, part: 1 }] }),
    ],
    { opens: 480 },
  );
  const named = { soup: (key: string) => RECIPES.get(key)?.name ?? key, opens: friday.opens };

  test('is proven so, and the smallest things that would help each make it possible', () => {
    expect(arranged(friday, here())).toMatchObject({ kind: 'cannot', proven: true });
    const found = leastFirst([...reliefs(friday, here(), RECIPES)].filter((r): r is Relief => r !== null));
    const words = found.map((r) => inEnglish(reliefWords(r, named)));
    expect(words[0]).toBe('one more pot such as Middle 28');
    expect(words).toContain('Smoked-haddock and sweetcorn chowder on the pass 60 min later');
    expect(words.at(-1)).toMatch(/^without /);
    const [delay] = found.filter((r) => r.kind === 'later');
    expect(arranged(delay!.service, here()).kind).toBe('arranged');
  });

  test('five minutes less than the smallest delay is not enough', () => {
    const sooner = {
      ...friday,
      soups: friday.soups.map((s) =>
        s.id === 'haddock-and-sweetcorn-chowder' ? { ...s, draws: [{ at: 720 + 30, part: 1 }] } : s,
      ),
    };
    expect(arranged(sooner, here()).kind).toBe('cannot');
  });

  test('a soup that fits nowhere is named', () => {
    const flood = service([soup('roast-carrot-cream', { vesselId: 'low-wide-26', amount: { litres: 400 } })]);
    const outcome = arranged(flood, here());
    expect(outcome).toMatchObject({ kind: 'cannot', proven: true });
    if (outcome.kind === 'cannot') expect(outcome.nowhere.map((b) => b.key)).toEqual(['roast-carrot-cream']);
  });

  test('a time that has gone by cannot be met', () => {
    expect(arranged(service([soup('roast-carrot-cream')]), here({ now: 690 })).kind).toBe('cannot');
    expect(arranged(service([soup('roast-carrot-cream')]), here({ now: 600 })).kind).toBe('arranged');
  });

  test('a second draw later than its liaison waits is possible once each is cooked anew', () => {
    const twice = service([
      soup('mussel-veloute-with-liaison', {
        draws: [
          { at: 705, part: 1 },
          { at: 790, part: 1 },
        ],
      }),
    ]);
    expect(arranged(twice, here()).kind).toBe('cannot');
    const found = [...reliefs(twice, here(), RECIPES)].filter((r) => r?.kind === 'fresh');
    expect(found).toHaveLength(1);
    expect(arranged(found[0]!.service!, here()).kind).toBe('arranged');
  });
});

test('a stock made here for a soup is lit so that it is done when the soup is, on a burner of its own', () => {
  const of = soup('cockle-and-leek-chowder', { amount: { litres: 6 } });
  const made = service([{ ...of, order: { ...of.order, stock: 'shell-stock', made: 'now' } }]);
  const outcome = arranged(made, here());
  const board = onBoard(made, outcome);
  expect(board.clashes).toEqual([]);
  const [bar] = board.bars;
  expect(bar!.stock!.at.lightAt + bar!.stock!.table.minutes).toBeLessThanOrEqual(bar!.lightAt);
  expect(bar!.mise.to).toBeLessThanOrEqual(bar!.stock!.at.lightAt);
  // What it is made of is weighed and fetched, not the stock itself.
  const things = summed(board).map((l) => l.ingredient);
  expect(things).not.toContain('shell-stock');
  expect(things).toContain('water');
  expect(shoppingOf(board, HOUSE.kitchen).lines.map((l) => l.ingredient)).not.toContain('shell-stock');
  expect(scheduled(jobsOf(made, here(), (b) => standsFor(b, HOUSE)).problem).proven).toBe(true);
});
