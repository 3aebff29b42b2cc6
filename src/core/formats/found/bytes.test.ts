import { textOf } from './bytes';

const TEXT = 'Crème – 2 leeks, 500 g “floury” potatoes';

const utf16 = (text: string, little: boolean, mark: boolean): Uint8Array => {
  const bytes: number[] = mark ? (little ? [0xff, 0xfe] : [0xfe, 0xff]) : [];
  for (const c of text) {
    const unit = c.charCodeAt(0);
    bytes.push(...(little ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255]));
  }
  return Uint8Array.from(bytes);
};

test.each([
  ['with its mark, little end first', true, true],
  ['with its mark, big end first', false, true],
  ['without one, little end first', true, false],
  ['without one, big end first', false, false],
] as const)('UTF-16 %s', (_, little, mark) => {
  expect(textOf(utf16(TEXT, little, mark))).toBe(TEXT);
});

test('four letters by their mark alone: what is short says nothing of its ends', () => {
  expect(textOf(utf16('leek', true, true))).toBe('leek');
  expect(textOf(utf16('leek', false, true))).toBe('leek');
  expect(textOf(utf16('€–', true, true))).toBe('€–');
});

test('UTF-8, and Windows-1252 with its dashes and quotes, which cannot fail', () => {
  expect(textOf(new TextEncoder().encode(TEXT))).toBe(TEXT);
  const windows = Uint8Array.from([0x43, 0x72, 0xe8, 0x6d, 0x65, 0x20, 0x96, 0x20, 0x93, 0x61, 0x94]);
  expect(textOf(windows)).toBe('Crème – “a”');
});
