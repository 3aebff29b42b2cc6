import { createHash, randomUUID, timingSafeEqual } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type pg from 'pg';
import * as z from 'zod';
import {
  CODE_LASTS,
  CodeAsked,
  type CodeMade,
  type Me,
  PairAsked,
  PinAsked,
  StationChanged,
  type StationsTold,
} from '../../contract/stations';
import { message } from '../../core/message/message';
import { transaction } from '../data/database';
import { as, asking, calledOf } from '../guard/asking';
import { hashed, LEAD_LASTS, newCode, newSecret } from '../guard/keys';
import { readHouse } from '../queries/kitchen';
import { areSeveral } from '../queries/kitchens';
import {
  beginSession,
  countWrongCode,
  endSession,
  holdPairings,
  readPin,
  readStations,
  removePairing,
  removePin,
  renameStation,
  revokeStation,
  writePairing,
  writePin,
  writeStation,
  writeTries,
} from '../queries/stations';
import { accept, beyond, cannot, unknown } from '../refusal';
import { theHouse } from './kitchen';

/** Argon2id with 19 MiB, two passes, one lane (OWASP Password Storage, 2023). */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** A code that was guessed at so often is gone: ten of a million. */
const MOST_GUESSES = 10;

/** Wrong PINs in a row before it waits; each further one waits twice as long, up to an hour. */
const MOST_TRIES = 5;
const WAIT = 60_000;
const LONGEST_WAIT = 3_600_000;

const codeHash = (id: string, code: string): string =>
  createHash('sha256').update(`${id} ${code}`).digest('hex');
const equal = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

const isId = (id: string): boolean => z.uuid().safeParse(id).success;

/** What the one who asks is called in the list of stations. */
const me = (): string => {
  const { who } = asking();
  return who.kind === 'station' ? calledOf(who) : '';
};

/** Stations of the kitchen, and whether it has a PIN. `served` is whether other devices reach it at all. */
export async function theStations(pool: pg.Pool, served: boolean): Promise<StationsTold> {
  const house = await theHouse(pool);
  const { who } = asking();
  const stations = await readStations(pool, house.id);
  return {
    stations: stations.map((s) => ({ ...s, mine: who.kind === 'station' && who.id === s.id })),
    pinSet: (await readPin(pool, house.id)) !== null,
    served,
  };
}

/** A code that lets one station in as `input` says, for five minutes. */
export async function makeCode(pool: pg.Pool, input: unknown): Promise<Omit<CodeMade, 'links' | 'trust'>> {
  const { name, access, worksAs } = accept(CodeAsked, input);
  const house = await theHouse(pool);
  const [id, code] = [randomUUID(), newCode()];
  const until = await transaction(
    (db) =>
      writePairing(
        db,
        house.id,
        { id, codeHash: codeHash(id, code), name, access, worksAs, madeBy: me() },
        CODE_LASTS,
      ),
    pool,
  );
  return {
    code,
    until: until.toISOString(),
    kitchen: (await areSeveral(pool)) ? house.id : null,
  };
}

/**
 * Lets a station in by its code, once. Returns its key, which is kept nowhere but on the station. A wrong code counts against all that
 * stand: ten, and they are gone.
 */
export async function pair(
  pool: pg.Pool,
  input: unknown,
): Promise<{ readonly key: string; readonly id: string; readonly kitchen: string }> {
  const { code, kitchen } = accept(PairAsked, input);
  // Whoever is in already, in whichever kitchen, is a stranger to the one it asks for.
  if (kitchen !== undefined)
    return as({ ...asking(), who: { kind: 'stranger' }, kitchen }, () => pair(pool, { code }));
  const key = newSecret();
  // Counted even where it is refused: the refusal comes after what was counted is kept.
  const paired = await transaction(async (db) => {
    const open = await holdPairings(db);
    const found = open.find((p) => equal(p.codeHash, codeHash(p.id, code)));
    if (!found) {
      await countWrongCode(db, MOST_GUESSES);
      return null;
    }
    const id = randomUUID();
    await removePairing(db, found.id);
    await writeStation(db, found.kitchenId, {
      id,
      name: found.name,
      access: found.access,
      worksAs: found.worksAs,
      keyHash: hashed(key),
      pairedBy: found.madeBy,
    });
    return { id, kitchen: found.kitchenId };
  }, pool);
  if (paired === null)
    throw cannot(
      'code',
      message('no station is waited for under this code'),
      message('the six digits the lead sees under Kitchen › Stations, within five minutes'),
    );
  return { key, ...paired };
}

/** Gives a station another name. Its lines keep the one they were written under. */
export async function rename(pool: pg.Pool, id: string, input: unknown): Promise<{ readonly id: string }> {
  const { name } = accept(StationChanged, input);
  const house = await theHouse(pool);
  if (!isId(id) || !(await renameStation(pool, house.id, id, name))) throw unknown('station', id, []);
  return { id };
}

/** A station’s key opens nothing from now on. */
export async function revoke(pool: pg.Pool, id: string): Promise<{ readonly id: string }> {
  const house = await theHouse(pool);
  if (!isId(id) || !(await transaction((db) => revokeStation(db, house.id, id), pool)))
    throw unknown('station', id, []);
  return { id };
}

/** Sets the PIN, or another. */
export async function setPin(pool: pg.Pool, input: unknown): Promise<{ readonly pinSet: true }> {
  const { pin } = accept(PinAsked, input);
  const house = await theHouse(pool);
  const kept = await hash(pin, ARGON);
  const { who } = asking();
  await transaction(async (db) => {
    const before = await readPin(db, house.id, true);
    if (before && who.kind === 'station' && !who.raised) throw beyond('pin');
    await writePin(db, house.id, kept);
  }, pool);
  return { pinSet: true };
}

/** Takes the PIN away: the next lead sets another. */
export async function forgetPin(pool: pg.Pool): Promise<void> {
  const house = await readHouse(pool);
  if (house) await transaction((db) => removePin(db, house.id), pool);
}

/**
 * Makes the station that asks a lead’s for ten minutes from each use. Five wrong PINs in a row, and it waits a minute; every further
 * one twice as long, whatever station types it. Returns the token only that station has.
 */
export async function raise(pool: pg.Pool, input: unknown): Promise<string> {
  const { who } = asking();
  if (who.kind !== 'station') throw cannot('pin', message('this is no paired station'), message('a station'));
  const { pin } = accept(PinAsked, input);
  const token = newSecret();
  const went = await transaction(async (db) => {
    const known = await readPin(db, who.kitchenId, true);
    if (!known) return { kind: 'none' as const };
    if (known.waitMs > 0) return { kind: 'waits' as const, ms: known.waitMs };
    if (!(await verify(known.hash, pin))) {
      const wrong = known.wrong + 1;
      const waitMs = wrong < MOST_TRIES ? 0 : Math.min(LONGEST_WAIT, WAIT * 2 ** (wrong - MOST_TRIES));
      await writeTries(db, who.kitchenId, wrong, waitMs);
      return { kind: 'wrong' as const, left: Math.max(0, MOST_TRIES - wrong), ms: waitMs };
    }
    await writeTries(db, who.kitchenId, 0, 0);
    await beginSession(db, who.id, hashed(token), LEAD_LASTS);
    return { kind: 'right' as const };
  }, pool);
  if (went.kind === 'right') return token;
  if (went.kind === 'none')
    throw cannot(
      'pin',
      message('no PIN is set'),
      message('one set by a lead, or at the kitchen’s own machine'),
    );
  throw cannot(
    'pin',
    went.kind === 'wrong' ? message('this is not the PIN') : message('too many wrong PINs'),
    went.ms > 0
      ? message('again in {seconds} s', { seconds: Math.ceil(went.ms / 1000) })
      : message('{left, plural, one {one try} other {# tries}} left', {
          left: went.kind === 'wrong' ? went.left : 0,
        }),
  );
}

/** The station that asks is no lead’s any more. */
export async function lower(pool: pg.Pool): Promise<void> {
  const { who } = asking();
  if (who.kind === 'station') await endSession(pool, who.id);
}

/** Who the page that asks is to the kitchen. */
export async function theMe(pool: pg.Pool): Promise<Me> {
  const { who } = asking();
  const house = await readHouse(pool);
  const pinSet = house !== null && (await readPin(pool, house.id)) !== null;
  const several = house !== null && (await areSeveral(pool));
  if (who.kind === 'station')
    return { kind: 'station', name: who.name, access: who.access, raised: who.raised, pinSet, several };
  return { kind: who.kind, name: '', access: null, raised: false, pinSet, several };
}
