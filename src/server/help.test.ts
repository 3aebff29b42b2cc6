import { PICTURES, readPicture, readWords } from './help';

test('help has the words of the glossary, what they mean, and nothing of the code', async () => {
  const words = await readWords();
  expect(words.length).toBeGreaterThan(60);
  expect(words.find((w) => w.word === 'sweat')?.means).toBe(
    'vegetables warmed in fat until they give up water',
  );
  for (const { word, means } of words)
    expect([word, /[`|*]/.test(means), means !== '']).toEqual([word, false, true]);
});

test('its pictures are those of the documents, and no other file of the house', async () => {
  for (const name of PICTURES) expect((await readPicture(name))?.subarray(1, 4).toString()).toBe('PNG');
  for (const other of ['../../package', 'nothing', '..%2fpackage'])
    expect(await readPicture(other)).toBeNull();
});
