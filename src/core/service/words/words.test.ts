import { inEnglish } from '../../text/inWords';
import type { Mend } from '../arrange/mend';
import { leastFirst, type Relief } from '../arrange/relief';
import type { Clash } from '../board';
import { SERVICE } from '../testKit';
import { longDay, shortDay } from './dayWords';
import { clashWords, mendWords, reliefWords } from './serviceWords';

const named = { soup: (key: string) => ({ a: 'Parsnip', b: 'Bisque' })[key] ?? key, opens: 480 };
const clash = (of: object) =>
  inEnglish(clashWords({ id: '', keys: ['a'], from: 640, ...of } as unknown as Clash, named));
const shared = (of: object, more: object = {}) =>
  clash({
    kind: 'shared',
    shared: of,
    keys: ['a', 'b'],
    from: 640,
    until: 655,
    wanted: 2,
    there: 1,
    ...more,
  });

test('a clash names its soups, the thing they want and from when to when', () => {
  expect(shared({ kind: 'burner', id: 'x', name: 'Floor ring' })).toBe(
    'Parsnip and Bisque want Floor ring at once, 10:40 to 10:55',
  );
  expect(shared({ kind: 'pot', id: 'x', name: 'Deep 42' })).toBe(
    'Parsnip and Bisque want the pot Deep 42 at once, 10:40 to 10:55',
  );
  expect(shared({ kind: 'tool', tool: 'sieve' })).toBe(
    'Parsnip and Bisque want the sieve at once, 10:40 to 10:55',
  );
  expect(shared({ kind: 'tool', tool: 'sieve' }, { there: 0 })).toBe(
    'Parsnip and Bisque want a sieve, and there is none',
  );
  expect(shared({ kind: 'hands' }, { wanted: 3, there: 2 })).toBe(
    '3 pairs of hands wanted, 2 there, 10:40 to 10:55: Parsnip and Bisque',
  );
});

test('what a soup does wrong by itself is said with its minutes and its reason', () => {
  expect(clash({ kind: 'late', minutes: 11.2, from: 705 })).toBe('Parsnip is 12 min late for 11:45');
  expect(
    clash({ kind: 'waits', minutes: 50, most: 30, why: { text: 'a liaison of yolk sets, kept hot' } }),
  ).toBe('Parsnip waits hot 50 min, 30 at most: a liaison of yolk sets, kept hot');
  expect(clash({ kind: 'early', at: 470, gone: false })).toBe(
    'Parsnip begins at 07:50, before the kitchen opens at 08:00',
  );
  expect(clash({ kind: 'early', at: 600, gone: true })).toBe('Parsnip should have been lit at 10:00');
  expect(clash({ kind: 'cannot', warning: null })).toBe(
    'Parsnip: no plan can be made of it in this pot, on this burner',
  );
});

test('a mend says where to, and what that costs', () => {
  const mend = (of: Partial<Mend>) =>
    inEnglish(
      mendWords(
        { key: 'a', to: {}, sooner: 0, burner: null, pot: null, longer: 0, held: 0, service: SERVICE, ...of },
        named,
      ),
    );
  expect(mend({ sooner: 25 })).toBe('Parsnip 25 min sooner');
  expect(mend({ sooner: -4 })).toBe('Parsnip 4 min later');
  expect(mend({ burner: 'Back plate', longer: 12 })).toBe('Parsnip on Back plate: 12 min longer');
  expect(mend({ burner: 'Back plate', longer: -3 })).toBe('Parsnip on Back plate: 3 min quicker');
  expect(mend({ pot: 'Deep 42' })).toBe('Parsnip in Deep 42: as quick');
});

test('what would make a day possible is said in its smallest figure, and what asks least stands first', () => {
  const all: Relief[] = [
    { kind: 'without', soup: 'a', service: SERVICE },
    { kind: 'later', minutes: 20, soup: null, service: SERVICE },
    { kind: 'later', minutes: 10, soup: 'b', service: SERVICE },
    { kind: 'less', soup: 'a', litres: 2, service: SERVICE },
    { kind: 'sooner', minutes: 15, service: SERVICE },
    { kind: 'burner', like: 'Front left', service: null },
    { kind: 'pot', like: 'Middle 28', service: null },
    { kind: 'tool', tool: 'jug blender', service: SERVICE },
    { kind: 'hand', service: SERVICE },
    { kind: 'fresh', soup: 'b', service: SERVICE },
  ];
  expect(leastFirst(all).map((r) => inEnglish(reliefWords(r, named)))).toEqual([
    'Bisque cooked anew for each time on the pass',
    'one more jug blender',
    'one more pair of hands',
    'one more pot such as Middle 28',
    'one more burner such as Front left',
    'begin 15 min sooner, at 07:45',
    '2 L less of Parsnip',
    'Bisque on the pass 10 min later',
    'everything on the pass 20 min later',
    'without Parsnip',
  ]);
});

test('days are said in short and in full, in any month', () => {
  expect(inEnglish(shortDay('2026-12-03'))).toBe('Thu 3 Dec');
  expect(inEnglish(longDay('2026-12-03'))).toBe('Thursday 3 December');
  const months = Array.from({ length: 12 }, (_, m) =>
    inEnglish(shortDay(`2027-${String(m + 1).padStart(2, '0')}-05`)),
  );
  expect(months.map((m) => m.split(' ').at(-1))).toEqual(
    Array.from({ length: 12 }, (_, m) =>
      new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' })
        .format(new Date(Date.UTC(2027, m, 5)))
        .slice(0, 3),
    ),
  );
  const week = Array.from({ length: 7 }, (_, d) => inEnglish(longDay(`2027-03-0${d + 1}`)).split(' ')[0]);
  expect(week).toEqual(['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']);
});
