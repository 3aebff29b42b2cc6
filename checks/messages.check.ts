import { readFileSync } from 'node:fs';
import { parse } from '@formatjs/icu-messageformat-parser';
import { allMessages, messagesIn } from './messages';
import { IDS, TERMS } from './terms';

const { found, short, outside } = allMessages();
const texts = [...new Set([...found.map((f) => f.text), ...TERMS])].sort();

test('everything a screen says is a message: nothing is written outside the catalogue', () => {
  expect(
    outside.filter((o) => !TERMS.has(o.words) && !IDS.has(o.words)).map((o) => `${o.at}: ${o.words}`),
  ).toEqual([]);
});

test('the catalogue lists every message there is, and none there is not: node --import tsx checks/writeMessages.ts', () => {
  expect(JSON.parse(readFileSync('src/core/text/messages.json', 'utf8'))).toEqual(texts);
});

test('every message is ICU MessageFormat that can be read, and chooses among more than one thing', () => {
  for (const text of texts) expect(() => parse(text)).not.toThrow();
  expect(texts.filter((t) => t.includes(', plural,')).length).toBeGreaterThan(10);
});

test('what a message’s braces ask for is given where it is made', () => {
  expect(short.map((s) => `${s.at}: ${s.lacks} of ${s.text}`)).toEqual([]);
});

test('what is set apart in a message has a name of its own, not that of a figure', () => {
  const both = texts.filter((t) =>
    [...t.matchAll(/<(\w+)>/g)].some(([, tag]) => new RegExp(`\\{${tag}\\b`).test(t)),
  );
  expect(both).toEqual([]);
});

test('a message that lacks a figure is found', () => {
  const lacks = (code: string) => messagesIn('x.tsx', code).short.map((s) => s.lacks);
  expect(lacks("const sign = message('{unit} from the bottom');")).toEqual(['unit']);
  expect(lacks("say('{a} of {b, number}', { a })")).toEqual(['b']);
  expect(lacks("say('{a} of {b}', { a, ...rest })")).toEqual([]);
  expect(lacks("const V = () => <MetricField words={message('A ladle, {unit}')} />;")).toEqual([]);
});

describe('words outside are found', () => {
  const wordsOf = (code: string) => messagesIn('x.tsx', code).outside.map((o) => o.words);
  test.each([
    ['in an element', 'const V = () => <p>Stir it</p>;', 'Stir it'],
    ['in an attribute that is read out', 'const V = () => <p aria-label="The pot" />;', 'The pot'],
    ['in a choice', "const V = () => <p>{on ? 'one thing' : ''}</p>;", 'one thing'],
    ['in a choice of an attribute', "const V = () => <p words={busy ? 'Reading' : ''} />;", 'Reading'],
    ['in a template', `const says = \`$${'{n}'} fills of it\`;`, '{} fills of it'],
    ['in a table', "const SAYS = { thin: 'runs off the spoon' };", 'runs off the spoon'],
    ['made of parts', `const says = say(\`$${'{n}'} fills\`);`, 'a message is a plain text: {} fills'],
  ])('%s', (_where, code, words) => {
    expect(wordsOf(code)).toEqual([words]);
  });
  test('and neither messages, classes, units, addresses nor errors are taken for them', () => {
    const code = `import { x } from './a b';
      const V = () => <p className="flex gap-2">{say('Stir it')} {n} mPa·s</p>;
      const look = 'min-h-12 rounded-sm border-2';
      if (kind === 'put in') throw new RangeError('no such thing here');`;
    expect(wordsOf(code)).toEqual([]);
  });
});
