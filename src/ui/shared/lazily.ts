import { type ComponentType, lazy } from 'react';

const AGAIN = 1500;

/** Loads as long as it takes: a part that cannot be fetched now is waited for, it does not bring the page down. */
export const insisting = <T>(load: () => Promise<T>): Promise<T> =>
  load().catch(async () => {
    await new Promise((resolve) => setTimeout(resolve, AGAIN));
    return insisting(load);
  });

/** A component loaded when it is first shown. */
export const lazily = <P extends object>(load: () => Promise<ComponentType<P>>) =>
  lazy(async () => ({ default: await insisting(load) }));
