import { pool } from '../../../server/database';
import { respond } from '../../../server/refusal';

export const dynamic = 'force-dynamic';

/** Answers when this very process reaches its database; `run` tells it from another on the same port. */
export function GET(): Promise<Response> {
  return respond(async () => {
    await pool().query('SELECT 1');
    return { body: { ok: true, run: process.env.PANACHE_RUN ?? null } };
  });
}
