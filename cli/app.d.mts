/** One server process of the application. */
export type Served = {
  readonly address: string;
  readonly ended: Promise<number | null>;
  readonly stop: () => Promise<number | null>;
  /** As when the power goes. */
  readonly kill: () => Promise<number | null>;
};

export function serve(options: {
  readonly mode: 'start' | 'dev';
  readonly host?: string;
  readonly port?: number | null;
  readonly from?: number;
  readonly databaseUrl: string;
  readonly env?: Readonly<Record<string, string>>;
}): Promise<Served>;

/** Migrates a database as its owner, gives the application its role, and loads the demo into an empty one; what it said, and the address the application is to use. */
export function prepare(
  databaseUrl: string,
  mode?: 'start' | 'dev',
): Promise<{ readonly out: string; readonly url: string }>;
