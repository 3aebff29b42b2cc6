/** Sees to a certificate of this machine’s own authority: where it stands, for what names and addresses, and the root’s fingerprint (SHA-256). */
export function certificate(): Promise<{
  readonly cert: string;
  readonly key: string;
  readonly root: string;
  readonly names: readonly string[];
  readonly addresses: readonly string[];
  /** Why it was made anew; null where it was good as it stood. */
  readonly made: string | null;
  readonly fingerprint: string;
}>;
