'use client';

/**
 * One page of a browser leads: it alone holds the stream to the server, since a browser has six connections for
 * all its pages together. By Web Locks where the page may use them (https, or the machine itself), else by a
 * lease in the browser’s storage.
 */

const NAME = 'panache-leads';
/** A lease not renewed for this long, ms, is anybody’s. */
const LEASE = 5000;
const RENEW = 1500;

export type Lead = { readonly give: () => void; readonly steal: () => void };

/** Waits to lead; `lead` is told when it does, `lost` when another took over. `give` up ends both. */
export function waitToLead(lead: () => void, lost: () => void): Lead {
  return 'locks' in navigator ? byLock(lead, lost) : byLease(lead, lost);
}

function byLock(lead: () => void, lost: () => void): Lead {
  const given = new AbortController();
  let release = () => {};
  const hold = () =>
    new Promise<void>((resolve) => {
      if (given.signal.aborted) return resolve();
      release = resolve;
      lead();
    });
  // It ends with an error when it is given up while it waits, or when another page takes it by force.
  const ask = (options: LockOptions): void =>
    void navigator.locks.request(NAME, options, hold).catch(() => {
      if (given.signal.aborted) return;
      lost();
      ask({ signal: given.signal });
    });
  ask({ signal: given.signal });
  return {
    give: () => {
      given.abort();
      release();
    },
    steal: () => ask({ steal: true }),
  };
}

function byLease(lead: () => void, lost: () => void): Lead {
  const me = `${Date.now()} ${Math.random()}`;
  let leads = false;
  const read = (): { id: string; until: number } | null => {
    try {
      return JSON.parse(localStorage.getItem(NAME) ?? 'null');
    } catch {
      return null;
    }
  };
  const look = (force = false) => {
    const held = read();
    const mine = held?.id === me;
    const free = !held || held.until < Date.now() || held.until > Date.now() + 2 * LEASE;
    if (mine || free || force)
      localStorage.setItem(NAME, JSON.stringify({ id: me, until: Date.now() + LEASE }));
    const now = mine || free || force;
    if (now && !leads) {
      // Two that found it free at once: the one that wrote last has it.
      setTimeout(() => {
        if (read()?.id !== me || leads) return;
        leads = true;
        lead();
      }, 60);
    } else if (!now && leads) {
      leads = false;
      lost();
    }
  };
  look();
  const timer = setInterval(look, RENEW);
  return {
    give: () => {
      clearInterval(timer);
      if (read()?.id === me) localStorage.removeItem(NAME);
    },
    steal: () => look(true),
  };
}
