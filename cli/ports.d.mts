/** The first free port from `from` upward. */
export function freePort(from: number, host?: string): Promise<number>;
