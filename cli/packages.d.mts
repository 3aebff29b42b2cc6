/** Where a program of Debian’s is: the machine’s own, or laid out beside the clone. */
export function debianProgram(name: string, path: string): Promise<string>;
