import { execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, chromium } from '@playwright/test';
import { chromiumOptions } from '../cli/chromium.mjs';

/** A browser that is not this machine’s: who it comes as, and where it finds this machine. */
export type Stranger = {
  readonly browser: Browser;
  /** This machine’s address as the stranger sees it. */
  readonly machine: string;
  /** Whether it is in a network of its own; else it speaks to this machine’s own address on a network there is. */
  readonly apart: boolean;
  /** Another browser of the same stranger’s, started with more `args`. */
  readonly another: (...args: readonly string[]) => Promise<Browser>;
  readonly leave: () => Promise<void>;
};

const ip = (...args: readonly string[]) => execFileSync('ip', args, { stdio: 'pipe' });

/** A network of its own with one line to this machine; null where this process may make none. */
function networkApart(n: number): { readonly name: string; readonly machine: string; end(): void } | null {
  const name = `panache-e2e-${n}`;
  const [here, there] = [`pe${n}a`, `pe${n}b`];
  const machine = `10.231.${n}.1`;
  const end = () => {
    try {
      ip('netns', 'del', name);
    } catch {
      // There was none.
    }
  };
  try {
    end();
    ip('netns', 'add', name);
    ip('link', 'add', here, 'type', 'veth', 'peer', 'name', there, 'netns', name);
    ip('addr', 'add', `${machine}/24`, 'dev', here);
    ip('link', 'set', here, 'up');
    ip('-n', name, 'addr', 'add', `10.231.${n}.2/24`, 'dev', there);
    ip('-n', name, 'link', 'set', there, 'up');
    ip('-n', name, 'link', 'set', 'lo', 'up');
    return { name, machine, end };
  } catch {
    end();
    return null;
  }
}

/** A browser that reaches this machine over a network, as a tablet does. `n` is a number no other test has. */
export async function stranger(n: number): Promise<Stranger> {
  const network = networkApart(n);
  const folder = mkdtempSync(join(tmpdir(), 'panache-stranger-'));
  let executablePath = chromiumOptions.executablePath;
  let machine = network?.machine;
  if (network) {
    executablePath = join(folder, 'browser');
    writeFileSync(
      executablePath,
      `#!/bin/sh\nexec ip netns exec ${network.name} ${chromiumOptions.executablePath} "$@"\n`,
    );
    chmodSync(executablePath, 0o755);
  }
  machine ??= Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .find((a) => !a.internal && a.family === 'IPv4')?.address;
  if (!machine) throw new Error('this machine is on no network, and none can be made');
  const another = (...args: readonly string[]) =>
    chromium.launch({ ...chromiumOptions, args: [...chromiumOptions.args, ...args], executablePath });
  const browser = await another();
  return {
    browser,
    machine,
    apart: network !== null,
    another,
    leave: async () => {
      await browser.close();
      network?.end();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
