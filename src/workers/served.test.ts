import { serving } from './served';

const turn = () => new Promise((resolve) => setTimeout(resolve, 5));

describe('what a worker serves', () => {
  const does = {
    *count(to: number) {
      for (let n = 1; n <= to; n += 1) yield n;
    },
    *other(word: string) {
      yield word;
    },
    // biome-ignore lint/correctness/useYield: it breaks before its first piece
    *broken(): Generator<never> {
      throw new Error('broke');
    },
  };
  const begin = () => {
    const known: string[] = [];
    return { known, serves: serving(does, { name: (n: string) => void known.push(n) }) };
  };

  it('tells piece by piece in order, and that it came to the end', async () => {
    const { serves } = begin();
    const told: number[] = [];
    expect(await serves.ask('count', 3, (n) => told.push(n))).toBe(true);
    expect(told).toEqual([1, 2, 3]);
  });

  it('a newer question of the same kind takes the place of the older one, which says that it did not come to the end', async () => {
    const { serves } = begin();
    const older: number[] = [];
    const first = serves.ask('count', 1000, (n) => older.push(n));
    while (older.length < 2) await turn();
    const newer: number[] = [];
    expect(await serves.ask('count', 2, (n) => newer.push(n))).toBe(true);
    expect(await first).toBe(false);
    expect(newer).toEqual([1, 2]);
    expect(older.length).toBeLessThan(1000);
  });

  it('a question of another kind leaves it going', async () => {
    const { serves } = begin();
    const told: number[] = [];
    const first = serves.ask('count', 20, (n) => told.push(n));
    await turn();
    await serves.ask('other', 'x', () => undefined);
    expect(await first).toBe(true);
    expect(told).toHaveLength(20);
  });

  it('stopped, nothing more is told', async () => {
    const { serves } = begin();
    const told: number[] = [];
    const first = serves.ask('count', 1000, (n) => told.push(n));
    while (told.length < 1) await turn();
    serves.stop('count');
    const upTo = told.length;
    expect(await first).toBe(false);
    expect(told.length).toBeLessThanOrEqual(upTo + 1);
  });

  it('what it is told is known before a question asked after it', async () => {
    const { serves, known } = begin();
    const asked = serves.ask('other', 'x', () => known.push('answered'));
    serves.know('name', 'house');
    await asked;
    expect(known).toEqual(['house', 'answered']);
  });

  it('what breaks breaks for who asked, and the port of who asked is given back', async () => {
    const { serves } = begin();
    await expect(serves.ask('broken', undefined as never, () => undefined)).rejects.toThrow('broke');
    const { releaseProxy } = await import('comlink');
    const released: string[] = [];
    const told = Object.assign(() => undefined, { [releaseProxy]: () => void released.push('given back') });
    await serves.ask('count', 2, told);
    expect(released).toEqual(['given back']);
  });
});
