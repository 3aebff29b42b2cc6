import pg from 'pg';
import { askedKitchen } from '../guard/asking';
import { away, back } from '../log';
// What is stored speaks of ingredients: whoever reads it has the catalogue.
import '../../core/food/load';

/**
 * What connections are for. Each has its own pool, so that a save behind a lock or a slow page never
 * stands before a tap.
 */
const USES = {
  pages: { max: 8, statement: 10_000 },
  saves: { max: 4, statement: 15_000 },
  taps: { max: 3, statement: 3000 },
  /** Taps of what is kept: neither kind waits for the other. */
  kept: { max: 3, statement: 3000 },
  health: { max: 1, statement: 1500 },
  /** Who asks: before anything else, and never behind it. */
  keys: { max: 2, statement: 1500 },
  /** An archive is read and written in its own thread. */
  archive: { max: 2, statement: 120_000 },
  /** An archive taken in: it keeps a cursor from one transaction to the next, on a line of its own to the database. */
  direct: { max: 2, statement: 120_000 },
} as const;
export type PoolUse = keyof typeof USES;

/** ms: nobody waits longer than this for a connection, or for a lock somebody else holds. */
const CONNECT = 3000;
const LOCK = 3000;
const IDLE_IN_TRANSACTION = 15_000;
/** A line that is dead and does not say so is given up this long after the statement should have been over. */
const GRACE = 1000;

/**
 * Whether a pooler stands between that hands connections on after each transaction (PANACHE_POOLER=transaction; PgBouncer’s
 * pool_mode): then nothing is left on a connection, neither limits nor prepared statements.
 */
const isPooled = (): boolean => process.env.PANACHE_POOLER === 'transaction';

/** Past a pooler, where one stands between (PANACHE_DIRECT_URL): for what listens, and for a cursor that outlives its transaction. */
export const directUrl = (): string => process.env.PANACHE_DIRECT_URL || process.env.DATABASE_URL || '';

const limitsOf = (use: PoolUse) => {
  const { statement } = USES[use];
  return {
    statement_timeout: statement,
    lock_timeout: Math.min(LOCK, statement),
    idle_in_transaction_session_timeout: IDLE_IN_TRANSACTION,
  };
};

/** A connection whose next transaction may be on another: it has no statements prepared by name. */
class HandedOn extends pg.Client {
  override query: pg.Client['query'] = ((...asked: Parameters<pg.Client['query']>) => {
    const [first, ...rest] = asked as readonly unknown[];
    const bare =
      typeof first === 'object' && first !== null && 'name' in first ? { ...first, name: undefined } : first;
    return super.query(...([bare, ...rest] as Parameters<pg.Client['query']>));
  }) as pg.Client['query'];
}

/** Connection settings with every wait limited. */
export const limited = (connectionString: string, use: PoolUse): pg.PoolConfig => {
  const { max, statement } = USES[use];
  return {
    connectionString,
    max,
    connectionTimeoutMillis: CONNECT,
    query_timeout: statement + GRACE,
    ...limitsOf(use),
    keepAlive: true,
    keepAliveInitialDelayMillis: 5000,
    application_name: `panache ${use}`,
  };
};

/** Pools of this process. Kept on globalThis because the development server reloads modules. */
const holder = globalThis as typeof globalThis & {
  panachePools?: Partial<Record<PoolUse, pg.Pool>>;
  panacheAwayAt?: number;
};

export function pool(use: PoolUse = 'pages'): pg.Pool {
  holder.panachePools ??= {};
  const pools = holder.panachePools;
  const known = pools[use];
  if (known) return known;
  const connectionString = use === 'direct' ? directUrl() : process.env.DATABASE_URL;
  if (!connectionString) throw new Error('DATABASE_URL is not set: start with ./panache start');
  const made =
    isPooled() && use !== 'direct'
      ? handedOn(connectionString, use)
      : new KitchenPool(limited(connectionString, use));
  // An idle connection may die with its server; the pool makes a new one at the next query.
  made.on('error', (error) => away('database', error));
  pools[use] = made;
  return made;
}

/** Connections on which each statement is of the kitchen that is asked for: a single one goes in a transaction of its own. */
export class KitchenPool extends pg.Pool {
  /** `limits`: what a transaction begins with besides, where its connection keeps nothing. */
  constructor(
    config: pg.PoolConfig,
    readonly limits = '',
  ) {
    super(config);
  }

  override query: pg.Pool['query'] = ((...asked: Parameters<pg.PoolClient['query']>) =>
    transaction(async (client) => client.query(...asked), this)) as pg.Pool['query'];
}

/** Connections through a pooler: each transaction brings its limits along. */
function handedOn(connectionString: string, use: PoolUse): KitchenPool {
  const limits = Object.entries(limitsOf(use)).map(([name, ms]) => ` SET LOCAL ${name} = ${ms};`);
  const {
    statement_timeout: _s,
    lock_timeout: _l,
    idle_in_transaction_session_timeout: _i,
    ...settings
  } = limited(connectionString, use);
  return new KitchenPool({ ...settings, Client: HandedOn }, limits.join(''));
}

/**
 * How a transaction begins: with the kitchen it is of. Row-level security shows and takes the rows of that one, for as long as the
 * transaction lasts and not on the connection after it, whoever has that next.
 */
export const beginning = (from: pg.Pool): string =>
  `BEGIN;${from instanceof KitchenPool ? from.limits : ''} SET LOCAL panache.kitchen = ${pg.escapeLiteral(askedKitchen())}`;

/** Lines of each pool of this process: all there are, those nobody uses, and how many wait for one. */
export const poolsInUse = (): Readonly<
  Record<string, { readonly total: number; readonly idle: number; readonly waiting: number }>
> =>
  Object.fromEntries(
    Object.entries(holder.panachePools ?? {}).map(([use, p]) => [
      use,
      { total: p.totalCount, idle: p.idleCount, waiting: p.waitingCount },
    ]),
  );

/** Why the database did not do it: it is out of reach, too slow, full, or no primary any more. Not: what was asked is wrong. */
const AWAY_CODES =
  /^(ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|EHOST|ENET|EAI_|57P0|57014|55P03|25006|25P0[34]|53|08|58)/;
const AWAY_WORDS =
  /timeout exceeded when trying to connect|Connection terminated|Query read timeout|connection error and is not queryable|Client was closed|Cannot use a pool after/;

/** Whether `error` says that the database is away, slow or full; trying later may help. */
export function isAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code, cause, errors } = error as { code?: unknown; cause?: unknown; errors?: unknown };
  if (typeof code === 'string' && AWAY_CODES.test(code)) return true;
  if (AWAY_WORDS.test(error.message)) return true;
  // Every address of a host was tried.
  if (Array.isArray(errors) && errors.some(isAway)) return true;
  return cause !== undefined && cause !== error && isAway(cause);
}

/** Notes how a use of the database went; one line is logged an outage. */
export function noted(error: unknown): void {
  if (isAway(error)) {
    holder.panacheAwayAt = Date.now();
    away('database', error);
  }
}

const fine = (): void => back('database');

/** Whether the database was found away in the last `ms`. */
export const awayWithin = (ms: number): boolean => Date.now() - (holder.panacheAwayAt ?? 0) < ms;

export type Queryable = Pick<pg.Pool, 'query'>;

/** Runs `work` in one transaction: all of it is written, or none. */
export async function transaction<T>(
  work: (client: pg.PoolClient) => Promise<T>,
  from = pool('saves'),
): Promise<T> {
  const client = await from.connect();
  // A connection that dies while it is ours says so here; the query in hand fails by it.
  const lost = (error: Error): void => noted(error);
  client.on('error', lost);
  let broken: Error | undefined;
  try {
    await client.query(beginning(from));
    const result = await work(client);
    await client.query('COMMIT');
    fine();
    return result;
  } catch (error) {
    await client.query('ROLLBACK').catch((e: Error) => {
      broken = e;
    });
    throw error;
  } finally {
    client.off('error', lost);
    // What could not even be rolled back is not handed to the next.
    client.release(broken);
  }
}

/** Whether the database answers, and how long it took, ms. */
export async function reached(): Promise<{ readonly ok: boolean; readonly ms: number }> {
  const from = performance.now();
  try {
    await pool('health').query('SELECT 1');
    fine();
    return { ok: true, ms: Math.round(performance.now() - from) };
  } catch (error) {
    noted(error);
    return { ok: false, ms: Math.round(performance.now() - from) };
  }
}
