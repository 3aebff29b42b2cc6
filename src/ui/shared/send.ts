export type Sent =
  | { readonly ok: true }
  | { readonly ok: false; readonly again: boolean; readonly says: string };

type Refused = { readonly problems?: readonly { field: string; given: string; allowed: string }[] };

/** Posts JSON; what goes wrong comes back as a line to show. `again` is true when trying later may help. */
export async function send(url: string, body: unknown): Promise<Sent> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (response.ok) return { ok: true };
    const { problems = [] } = (await response.json()) as Refused;
    const says = problems.map((p) => `${p.given} ${p.allowed}`).join(' ');
    return {
      ok: false,
      again: response.status >= 500,
      says: says || `The server answered ${response.status}.`,
    };
  } catch {
    return { ok: false, again: true, says: 'No connection to the server: nothing is lost, try again.' };
  }
}
