import { loadavg } from 'node:os';

/** What a figure is held to. */
export type Bar = { readonly atMost: number } | { readonly atLeast: number };

/**
 * Prints a figure beside its bar, with what it is made of and the load on the machine; a missed one makes the
 * process end with 1. Figures are
 * ratios measured within one run wherever a machine would show in them.
 */
export function bar(what: string, figure: number, to: Bar, made = ''): void {
  const held = 'atMost' in to ? figure <= to.atMost : figure >= to.atLeast;
  const limit = 'atMost' in to ? `at most ${to.atMost}` : `at least ${to.atLeast}`;
  const digits = Math.abs(figure) >= 100 ? 0 : Math.abs(figure) >= 10 ? 1 : 2;
  console.log(
    `${held ? 'held  ' : 'MISSED'} ${what}: ${figure.toFixed(digits)} (${limit})${made && `; ${made}`} [load ${loadavg()[0]?.toFixed(1)}]`,
  );
  if (!held) process.exitCode = 1;
}
