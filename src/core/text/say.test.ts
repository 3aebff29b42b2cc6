import { message } from '../message/message';
import { MessageSchema } from '../message/schema';
import { term } from '../message/term';
import type { Show } from '../units/shown/show';
import { METRIC } from '../units/shown/show';
import { provide } from './catalogue';
import { inEnglish, inWords, wordsFor } from './inWords';
import { spoken } from './spoken';

const US: Show = { volume: 'gal', temperature: 'F' };
const inUs = wordsFor(US);
const pseudo = wordsFor({ ...METRIC, language: 'en-XA' });

test('plurals, choices and lists are the language’s', () => {
  const fills = (n: number) => inEnglish(message('{n, plural, one {# fill} other {# fills}}', { n }));
  expect([fills(1), fills(2), fills(0)]).toEqual(['1 fill', '2 fills', '0 fills']);
  expect(inEnglish('{way, select, up {rises} other {falls}}', { way: 'down' })).toBe('falls');
  expect(inEnglish('{of}', { of: { and: ['salt', 'milk', message('leek')] } })).toBe('salt, milk and leek');
  expect(inEnglish('{of}', { of: { or: ['salt', 'milk'] } })).toBe('salt or milk');
  expect(inEnglish('{of}', { of: { all: ['a', 'b'] } })).toBe('a; b');
  expect(inEnglish('{of}', { of: { listed: ['a', { loud: message('egg') }] } })).toBe('a, EGG');
});

test('lists in English are as Intl.ListFormat joins them', () => {
  const words = ['salt', 'milk and cream', 'a, b', '', 'leek'];
  for (let n = 0; n <= words.length; n++)
    for (const [field, type] of [
      ['and', 'conjunction'],
      ['or', 'disjunction'],
    ] as const) {
      const some = words.slice(0, n);
      const of = { [field]: some } as { and: string[] };
      expect(inEnglish('{of}', { of })).toBe(new Intl.ListFormat('en-GB', { type }).format(some));
    }
});

test('figures are read in the kitchen’s units, wherever they are nested', () => {
  const both = message('{from}; {range}; {jug}; {asked}', {
    from: { celsius: 80 },
    range: message('{r}', { r: { celsius: 57, toCelsius: 21 } }),
    jug: { ml: 12_000 },
    asked: { litres: 12 },
  });
  expect(inEnglish(both)).toBe('80 °C; 57 to 21 °C; 12.0 L; 12 L');
  expect(inUs(both)).toBe('176 °F; 135 to 70 °F; 3.2 gal; 3.2 gal');
});

test('small and large first letters, and names a kitchen made up of anything', () => {
  expect(inEnglish('{a} and {b}', { a: { opening: message('oil') }, b: { within: term('Leek') } })).toBe(
    'Oil and leek',
  );
  expect(inEnglish(term('Jar {of} <b>'))).toBe('Jar {of} <b>');
  // What stands in the braces is never read as a message itself.
  expect(inEnglish('{name}', { name: '{n, plural,' })).toBe('{name}'.replace('{name}', '{n, plural,'));
});

test('a value that is missing is an error, not a gap', () => {
  expect(() => inEnglish('{n} g left')).toThrow(/n/);
});

test('the pseudo-language accents and lengthens what is said, and leaves figures and names as they are', () => {
  const said = pseudo('{n, plural, one {# fill} other {# fills}} of {name} at {at}', {
    n: 2,
    name: 'Middle 28',
    at: { celsius: 80 },
  });
  expect(said).toContain('Middle 28');
  expect(said).toContain('80 °C');
  expect(said.replace(/Middle 28|80 °C/g, '')).not.toMatch(/[a-z]{3}/);
  expect(pseudo('Done, next').length).toBeGreaterThan('Done, next'.length * 1.2);
});

test('a language that is provided is said; what its catalogue lacks is said in English', () => {
  provide('en-XA', {});
  const other = { ...METRIC, language: 'en' as const };
  provide('en', { 'Simmer {minutes} min': '{minutes} min sieden' });
  expect(inWords(message('Simmer {minutes} min', { minutes: 5 }), other)).toBe('5 min sieden');
  expect(inWords(message('Rest {minutes} min', { minutes: 5 }), other)).toBe('Rest 5 min');
});

test('a record keeps a message whole, and nothing that is none', () => {
  const kept = message('{grade} in step {step}: {reasons}.', {
    grade: message('The dairy splits'),
    step: 3,
    reasons: { all: [message('over {c}', { c: { celsius: 82 } })] },
  });
  expect(MessageSchema.parse(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
  for (const wrong of [
    {},
    { text: '' },
    { text: 5 },
    { text: 'a', more: 1 },
    { text: 'a', values: { b: { c: 1 } } },
  ])
    expect(MessageSchema.safeParse(wrong).success).toBe(false);
});

test('spoken says every message in plain data, however deep, and leaves the rest', () => {
  const data = { a: message('one'), b: [{ c: message('{n} g', { n: 2 }), d: 3 }], e: null };
  expect(spoken(data)).toEqual({ a: 'one', b: [{ c: '2 g', d: 3 }], e: null });
});

test('what a message of a table leaves open is filled when it is said', () => {
  expect(inEnglish(message('{to} kept'), { to: { celsius: 21 } })).toBe('21 °C kept');
  expect(inEnglish(message('{a} of {b}', { a: 1 }), { b: 2 })).toBe('1 of 2');
});
