/** One of the applications the tests run against, each with its database and its simulated devices. */
export interface App {
  readonly address: string;
  readonly databaseUrl: string;
  readonly devicesUrl: string;
}

/** All of them, as `./panache test` has started them; one for each browser that works at once. */
export const apps: readonly App[] = JSON.parse(process.env.PANACHE_APPS ?? '[]');

/** That of the browser this process drives. */
export const app: App = apps[Number(process.env.TEST_PARALLEL_INDEX ?? 0)] ?? {
  address: 'http://127.0.0.1:3000',
  databaseUrl: '',
  devicesUrl: '',
};
