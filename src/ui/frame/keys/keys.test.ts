import { VIEWS } from '../views';
import { CHORD, canKey, doKey, KEYS, keyReader, onKey, undoKey } from './keys';

const stove = (id: string) => KEYS.some((k) => k.id === id && k.on?.text === 'Stove');

test('after g a letter goes to a view, and does nothing else: g r is no reading, g f nothing wrong', () => {
  const read = keyReader();
  for (const { key, href } of VIEWS) {
    expect(read('g', 1000, stove)).toBeNull();
    expect(read(key, 1100, stove)).toEqual({ kind: 'go', href });
  }
  // n is no view: after g it is nothing, not a step done.
  read('g', 5000, stove);
  expect(read('n', 5100, stove)).toBeNull();
  expect(read('n', 5200, stove)).toEqual({ kind: 'do', id: 'step-done' });
});

test('g alone is forgotten after a while, and one letter uses it up', () => {
  const read = keyReader();
  read('g', 0, stove);
  expect(read('r', CHORD, stove)).toEqual({ kind: 'do', id: 'temperature' });
  read('g', 9000, stove);
  expect(read('r', 9000 + CHORD - 1, stove)).toEqual({ kind: 'go', href: '/recipes' });
  expect(read('r', 9000 + CHORD, stove)).toEqual({ kind: 'do', id: 'temperature' });
});

test('a key nobody is there for does nothing', () => {
  expect(keyReader()('n', 0, () => false)).toBeNull();
  expect(keyReader()('q', 0, () => true)).toBeNull();
});

test('no two keys of one view are the same, and none is g', () => {
  for (const on of new Set(KEYS.map((k) => k.on))) {
    const keys = KEYS.filter((k) => k.on === on || k.on === null).map((k) => k.key);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys).not.toContain('g');
  }
});

test('the newest to ask for a key has it, and gives back only its own', () => {
  const did: string[] = [];
  const off = onKey('find', () => did.push('first'));
  const offSecond = onKey('find', () => did.push('second'));
  off();
  doKey('find');
  offSecond();
  expect(canKey('find')).toBe(false);
  doKey('find');
  expect(did).toEqual(['second']);
});

test('the usual keys take back and do again, with Ctrl or ⌘ and nothing else held', () => {
  const held = { ctrlKey: false, metaKey: false, altKey: false, shiftKey: false };
  expect(undoKey({ ...held, key: 'z', ctrlKey: true })).toBe('undo');
  expect(undoKey({ ...held, key: 'Z', metaKey: true, shiftKey: true })).toBe('redo');
  expect(undoKey({ ...held, key: 'y', ctrlKey: true })).toBe('redo');
  expect(undoKey({ ...held, key: 'z' })).toBeNull();
  expect(undoKey({ ...held, key: 'z', ctrlKey: true, altKey: true })).toBeNull();
  expect(undoKey({ ...held, key: 'u', ctrlKey: true })).toBeNull();
});
