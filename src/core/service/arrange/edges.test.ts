import { rimVolume } from '../../heat/vessel';
import { boardOf, panBarsOf } from '../board';
import { pacedClock } from '../pace';
import { batchesOf, type Service } from '../service';
import { HOUSE, here, RECIPES, service, soup, TABLES } from '../testKit';
import { Timetables } from '../timetables';
import { arranged } from './arrange';
import { jobsOf, standsFor } from './jobs';
import { mendsFor } from './mend';
import { leastFirst, type Relief } from './relief';
import { reliefs } from './why';

const CARROT = soup('roast-carrot-cream', { amount: { litres: 4 } });
const PARSNIP = soup('smoked-parsnip-veloute', { vesselId: 'tall-steel-36' });
const barOf = (of: Service, more = {}) => boardOf(of, here(more)).bars[0]!;

/** The canteen with these pots and burners alone. */
const only = (vessels: readonly string[], burners: readonly string[]) => {
  const house = {
    ...HOUSE,
    vessels: HOUSE.vessels.filter((v) => vessels.includes(v.id)),
    burners: HOUSE.burners.filter((b) => burners.includes(b.id)),
  };
  return here({ house, tables: new Timetables(house, RECIPES) });
};

describe('where a batch may stand', () => {
  const pots = (litres: number) => {
    const [batch] = batchesOf(
      service([soup('roast-carrot-cream', { vesselId: 'gone', amount: { litres } })]),
    );
    return new Set(standsFor(batch!, HOUSE).map((s) => s.vesselId));
  };
  const rim = (id: string) => rimVolume(HOUSE.vessels.find((v) => v.id === id)!) / 1000;

  test('in a pot it fills to four fifths of its rim, and in none it fills further', () => {
    const full = rim('middle-28') * 0.8;
    expect(pots(full - 0.01)).toContain('middle-28');
    expect(pots(full + 0.01)).not.toContain('middle-28');
  });

  test('in a pot whose bottom it covers, six parts in a hundred of it, and in none it does not', () => {
    const low = rim('deep-42') * 0.06;
    expect(pots(low + 0.01)).toContain('deep-42');
    expect(pots(low - 0.01)).not.toContain('deep-42');
  });
});

test('its own burner is tried first in each pot', () => {
  const [batch] = batchesOf(service([soup('roast-carrot-cream', { burnerId: 'back-plate' })]));
  const stands = standsFor(batch!, HOUSE);
  expect(stands[0]).toEqual({ vesselId: 'middle-28', burnerId: 'back-plate' });
  expect(stands[HOUSE.burners.length]?.burnerId).toBe('back-plate');
});

test('where a batch lies it stays only where it was pinned', () => {
  const at = { burnerId: 'front-right', vesselId: 'middle-28', lightAt: 600 };
  const stands = (more: object) =>
    jobsOf(service([CARROT], { placed: { [CARROT.id]: { ...at, ...more } } }), here(), (b) =>
      standsFor(b, HOUSE),
    ).jobs[0]!.stands;
  expect(stands({}).length).toBeGreaterThan(1);
  expect(stands({ pinned: true })).toMatchObject([at]);
});

describe('what would mend a clash', () => {
  const clashIn = (of: Service, kind: string) =>
    boardOf(of, here()).clashes.find((c) => c.kind === 'shared' && c.shared.kind === kind)!;
  const moves = (of: Service, kind: string) =>
    mendsFor(of, here(), clashIn(of, kind)).map(({ key, to, burner, pot }) => ({ key, to, burner, pot }));

  test('another burner mends the burner, though the hands are short before and after', () => {
    const day = service([CARROT, PARSNIP], { hands: 1 });
    const found = moves(day, 'burner');
    expect(clashIn(day, 'hands')).toBeDefined();
    expect(found.some((m) => m.burner !== null)).toBe(true);
  });

  test('another pot is named, and it is the one the batch goes to', () => {
    const both = service([CARROT, soup('green-pea-and-lettuce-cream', { burnerId: 'front-right' })], {
      hands: 9,
    });
    const named = moves(both, 'pot').filter((m) => m.pot !== null);
    expect(named.length).toBeGreaterThan(0);
    for (const m of named) expect(m.pot).toBe(HOUSE.vessels.find((v) => v.id === m.to.vesselId)?.name);
    const onto = moves(service([CARROT, PARSNIP], { hands: 9 }), 'burner').filter((m) => m.burner !== null);
    for (const m of onto) expect(m.burner).toBe(HOUSE.burners.find((b) => b.id === m.to.burnerId)?.name);
  });

  test('one thing is changed at a time, and of each batch each way once', () => {
    const found = moves(service([CARROT, PARSNIP], { hands: 9 }), 'burner');
    expect(found).toHaveLength(3);
    for (const m of found) expect(m.burner && m.pot).toBeNull();
    expect(new Set(found.map((m) => `${m.key} ${m.burner === null} ${m.pot === null}`)).size).toBe(3);
  });

  test('of three on one burner it is enough that one goes elsewhere', () => {
    const pea = soup('green-pea-and-lettuce-cream', { vesselId: 'deep-42', amount: { litres: 10 } });
    const three = service([CARROT, PARSNIP, pea], { hands: 9 });
    expect(clashIn(three, 'burner').keys).toHaveLength(3);
    expect(moves(three, 'burner').some((m) => m.burner !== null)).toBe(true);
  });

  test('what is late is mended by what makes it late no more, not by what makes it less late', () => {
    const { lightAt } = barOf(service([CARROT]));
    const late = service([CARROT], {
      placed: { [CARROT.id]: { burnerId: 'front-left', vesselId: 'middle-28', lightAt: lightAt + 7 } },
    });
    const [clash] = boardOf(late, here()).clashes;
    expect(clash?.kind).toBe('late');
    const found = mendsFor(late, here(), clash!);
    expect(found.length).toBeGreaterThan(0);
    for (const m of found) expect(boardOf(m.service, here()).clashes).toEqual([]);
  });

  test('a soup that can be cooked nowhere neither hinders what mends two others nor excuses what makes one late', () => {
    const two = [CARROT, PARSNIP];
    const nowhere = { ...soup('celeriac-and-pear-cream', { burnerId: 'gone' }), id: 'nowhere' };
    const alone = moves(service(two, { hands: 9 }), 'burner');
    expect(alone.length).toBeGreaterThan(1);
    expect(moves(service([...two, nowhere], { hands: 9 }), 'burner')).toEqual(alone);
  });
});

describe('what lies on a board', () => {
  test('runs from half an hour before the first work to half an hour after the last, to the half hour', () => {
    const board = boardOf(service([CARROT]), here());
    const [bar] = board.bars;
    expect(board.from).toBe(Math.floor((bar!.mise.from - 5) / 30) * 30);
    expect(board.to).toBe(720);
    const late = boardOf(service([{ ...CARROT, draws: [{ at: 711, part: 1 }] }]), here());
    expect(late.to).toBe(750);
    expect(boardOf(service([], { opens: 400 }), here())).toMatchObject({ from: 400, to: 880 });
  });

  test('a pan beside a pot is off its burner once the batch is finished, or over', () => {
    const bisque = service([soup('crab-shell-bisque', { amount: { litres: 6 } })]);
    const { lightAt, readyAt } = barOf(bisque);
    const pans = (more: object) =>
      panBarsOf(
        boardOf(
          bisque,
          here({
            live: { 'crab-shell-bisque': { lightAt, readyAt, finished: false, over: false, ...more } },
          }),
        ).bars,
      );
    expect(pans({})).toHaveLength(2);
    expect(pans({ finished: true })).toEqual([]);
    expect(pans({ over: true })).toEqual([]);
  });

  test('a stock made for a soup takes its burner while it is made, and no longer', () => {
    const base = soup('cockle-and-leek-chowder', { amount: { litres: 6 } });
    const chowder = {
      ...base,
      order: { ...base.order, stock: 'shell-stock' as const, made: 'now' as const },
    };
    const { stock, lightAt } = barOf(service([chowder]));
    const before = lightAt - stock!.table.minutes;
    const at = (stockAt: number) =>
      boardOf(
        service(
          [
            chowder,
            soup('roast-carrot-cream', {
              amount: { litres: 3 },
              vesselId: 'tall-steel-36',
              burnerId: 'floor-ring',
              draws: [{ at: before, part: 1 }],
            }),
          ],
          {
            hands: 20,
            opens: 0,
            placed: {
              'cockle-and-leek-chowder': {
                burnerId: 'front-left',
                vesselId: 'middle-28',
                lightAt,
                stock: { burnerId: 'floor-ring', vesselId: 'deep-42', lightAt: stockAt },
              },
            },
          },
        ),
        here(),
      ).clashes.filter((c) => c.kind === 'shared' && c.shared.kind === 'burner');
    // The carrots are off the ring as the stock comes onto it; five minutes sooner they were not.
    expect(at(before)).toEqual([]);
    const [clash] = at(before - 5);
    expect(clash).toMatchObject({ from: before - 5, until: before });
  });
});

describe('kept hot', () => {
  const day = (keptOn: 'bath' | 'burner') =>
    service(
      [
        { ...CARROT, draws: [630, 720].map((at) => ({ at, part: 1 })) },
        soup('green-pea-and-lettuce-cream', { vesselId: 'tall-steel-36', draws: [{ at: 720, part: 1 }] }),
      ],
      { hands: 9, opens: 360, keptOn },
    );

  test('in a bath its burner is free for the next soup, on its burner it is not', () => {
    const one = only(['middle-28', 'tall-steel-36'], ['front-left']);
    expect(arranged(day('bath'), one).kind).toBe('arranged');
    expect(arranged(day('burner'), one).kind).toBe('cannot');
  });
});

describe('the smallest that makes it possible', () => {
  const opened = (opens: number) => service([CARROT], { opens, hands: 9 });
  const { mise } = barOf(service([CARROT]));
  // One pot on one burner: there is no quicker way to have it.
  const ONE = only(['middle-28'], ['front-left']);
  /** The first of a kind; each is looked for in its turn, and no further than to it. */
  function found(of: Service, kind: Relief['kind'], more = ONE): Relief | undefined {
    let turn = 0;
    for (const r of reliefs(of, more, RECIPES)) {
      if (r?.kind === kind) return r;
      if (kind === 'sooner' || (kind === 'later' && turn > 0)) return undefined;
      turn++;
    }
    return undefined;
  }

  test.each([
    [1, 15],
    [16, 30],
    [31, 45],
    [46, 60],
    [61, 90],
    [91, 120],
    [121, 180],
  ])('opened %i min too late, it opens %i min sooner', (late, minutes) => {
    expect(found(opened(mise.from + late), 'sooner')).toMatchObject({ minutes });
  });

  test('it cannot open before now', () => {
    const late = opened(mise.from + 20);
    const at = (now: number) => found(late, 'sooner', { ...ONE, now });
    expect(at(mise.from - 10)).toMatchObject({ minutes: 30 });
    expect(at(mise.from - 9)).toBeUndefined();
  });

  test.each([
    [1, 5],
    [6, 10],
    [11, 15],
    [16, 20],
    [21, 30],
    [31, 45],
    [46, 60],
    [61, 90],
  ])('%i min short of its time, it is on the pass %i min later', (short, minutes) => {
    expect(found(opened(mise.from + short), 'later')).toMatchObject({ minutes, soup: null });
  });

  test.each([
    [0.5, 1],
    [1.5, 2],
    [3.5, 4],
    [7.5, 8],
    [15.5, 16],
  ])('%f L more than its only pot takes, it is %i L less', (over, litres) => {
    const pot = HOUSE.vessels.find((v) => v.id === 'deep-42')!;
    const most = Math.floor(((rimVolume(pot) * 0.8) / 1000) * 10) / 10;
    const flood = service(
      [soup('roast-carrot-cream', { vesselId: 'gone', amount: { litres: most + over } })],
      { hands: 9, opens: 0 },
    );
    expect(found(flood, 'less', only(['deep-42'], ['floor-ring']))).toMatchObject({ litres });
  });

  test('what is borrowed comes before what is served otherwise, the less the sooner, and no soup last', () => {
    const s = service([CARROT]);
    const order: readonly Relief[] = [
      { kind: 'fresh', soup: 'a', service: s },
      { kind: 'hand', service: s },
      { kind: 'pot', like: 'Middle 28', service: null },
      { kind: 'burner', like: 'Front left', service: null },
      { kind: 'less', soup: 'a', litres: 0.9, service: s },
      { kind: 'sooner', minutes: 15, service: s },
      { kind: 'less', soup: 'a', litres: 1.5, service: s },
      { kind: 'later', minutes: 5, soup: null, service: s },
      { kind: 'sooner', minutes: 30, service: s },
      { kind: 'later', minutes: 90, soup: null, service: s },
      { kind: 'without', soup: 'a', service: s },
    ];
    expect(leastFirst(order.toReversed())).toEqual(order);
    const even: readonly Relief[] = [
      { kind: 'hand', service: s },
      { kind: 'tool', tool: 'sieve', service: s },
    ];
    for (const those of [even, even.toReversed()]) expect(leastFirst(those)).toEqual(those);
  });
});

describe('on the clock of this kitchen', () => {
  const step = (startsAt: number, seconds: number, kind: string, pan = '') => ({
    step: { kind },
    pan,
    startsAt,
    seconds,
  });
  const plan = {
    steps: [step(0, 600, 'roux'), step(600, 600, 'simmer'), step(600, 300, 'roux', 'skillet')],
  } as unknown as Parameters<typeof pacedClock>[0];

  test('what somebody stands at in the pot takes as long as it takes here, and nothing else does', () => {
    const slow = pacedClock(plan, { roux: 1.5, simmer: 2 });
    expect(slow(600)).toBe(900);
    expect(slow(1200)).toBe(1500);
    expect(pacedClock(plan, {})(1200)).toBe(1200);
  });

  test('each pot has its own plan, whatever was asked for before', () => {
    const of = new Timetables(HOUSE, RECIPES);
    const rims = ['middle-28', 'tall-steel-36', 'deep-42'].map(
      (vesselId) => of.of({ ...CARROT.order, litres: 6, vesselId })?.rimMl,
    );
    expect(rims).toEqual(
      ['middle-28', 'tall-steel-36', 'deep-42'].map((id) =>
        rimVolume(HOUSE.vessels.find((v) => v.id === id)!),
      ),
    );
  });

  test('of the pans beside a pot those that take a burner or the oven are on the board, a tray in no pot', () => {
    const pans = TABLES.of({
      ...soup('crab-shell-bisque', { amount: { litres: 6 } }).order,
      litres: 6,
    })!.pans;
    expect(pans.find((p) => p.name === 'tray')).toMatchObject({ vesselId: null, burnerId: null });
    expect(pans.find((p) => p.name === 'tray')!.trays).toBeGreaterThan(0);
    const base = pans.find((p) => p.name !== 'tray')!;
    expect(HOUSE.vessels.map((v) => v.id)).toContain(base.vesselId);
    expect(base.trays).toBe(0);
    const mussels = TABLES.of({ ...soup('mussel-veloute-with-liaison').order, litres: 6 })!;
    expect(mussels.pans).toEqual([]);
  });
});
