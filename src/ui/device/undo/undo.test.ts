import { message } from '../../../core/message/message';
import { did, forget, redoLast, undoLast, undoState } from './undo';

const words = (text: string) => message(text);
const record: string[] = [];
const thing = (name: string, owner?: string) => ({
  words: words(name),
  undo: () => record.push(`un${name}`),
  redo: () => record.push(name),
  owner,
});

beforeEach(() => {
  for (const owner of ['a', 'b']) forget(owner);
  record.length = 0;
});

test('the last thing done is taken back first, whoever did it, and done again in the same order', () => {
  did(thing('one', 'a'));
  did(thing('two', 'b'));
  undoLast();
  undoLast();
  expect(record).toEqual(['untwo', 'unone']);
  expect(undoState().last).toBeNull();
  redoLast();
  redoLast();
  expect(record).toEqual(['untwo', 'unone', 'one', 'two']);
  expect(undoState().last?.words).toEqual(words('two'));
});

test('what was undone is not done again after something else was', () => {
  did(thing('one', 'a'));
  undoLast();
  did(thing('two', 'a'));
  redoLast();
  expect(record).toEqual(['unone']);
});

test('what a view that is gone had done is forgotten, the rest stands', () => {
  did(thing('one', 'a'));
  did(thing('two', 'b'));
  forget('b');
  expect(undoState().last?.words).toEqual(words('one'));
  undoLast();
  forget('a');
  expect(undoState().next).toBeNull();
});

test('with nothing done nothing is taken back', () => {
  undoLast();
  redoLast();
  expect(record).toEqual([]);
});
