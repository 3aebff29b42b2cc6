import pg from 'pg';
// What is stored speaks of ingredients: whoever reads it has the catalogue.
import '../core/food/load';

/** One pool a process. Kept on globalThis because the development server reloads modules. */
const holder = globalThis as typeof globalThis & { panachePool?: pg.Pool };

export function pool(): pg.Pool {
  if (!holder.panachePool) {
    const connectionString = process.env.DATABASE_URL;
    if (!connectionString) throw new Error('DATABASE_URL is not set: start with ./panache start');
    holder.panachePool = new pg.Pool({ connectionString, max: 10 });
    // An idle connection may die with its server; the pool makes a new one at the next query.
    holder.panachePool.on('error', (error) => console.error(`database connection lost: ${error.message}`));
  }
  return holder.panachePool;
}

export type Queryable = Pick<pg.Pool, 'query'>;

/** Runs `work` in one transaction: all of it is written, or none. */
export async function transaction<T>(work: (client: pg.PoolClient) => Promise<T>, from = pool()): Promise<T> {
  const client = await from.connect();
  try {
    await client.query('BEGIN');
    const result = await work(client);
    await client.query('COMMIT');
    return result;
  } catch (error) {
    await client.query('ROLLBACK').catch(() => {});
    throw error;
  } finally {
    client.release();
  }
}
