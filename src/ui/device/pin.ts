/** Asks the cook at this screen for the lead’s PIN; true once it was right. Told by whoever can show it. */
type Asker = () => Promise<boolean>;

let asker: Asker | null = null;

/** The part of the page that asks; returns how it stops. */
export function pinAskedBy(ask: Asker): () => void {
  asker = ask;
  return () => {
    if (asker === ask) asker = null;
  };
}

let under: Promise<boolean> | null = null;

/** Asks for the PIN where something can; several that want it at once wait for one answer. */
export function askForPin(): Promise<boolean> {
  under ??= (asker?.() ?? Promise.resolve(false)).finally(() => {
    under = null;
  });
  return under;
}
