/** A PostgreSQL of this copy's own, running until it is stopped. */
export type Server = { readonly stop: () => Promise<void> };

export function postgres(): Promise<Server>;

/** The address the application’s own role has of the database at `owner`. */
export function appUrl(owner: string): string;

/** The address of a database of that name, made where there is none, `fresh` made anew. */
export function database(server: Server, name: string, how?: { readonly fresh?: boolean }): Promise<string>;
