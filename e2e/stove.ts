import { expect, type Page } from '@playwright/test';
import { app as here } from './app';
import { db, live } from './kit';

const DEVICES = here.devicesUrl;

/** The simulated devices' clock, and what goes wrong with them. */
export const simulate = {
  clock: (now: string) =>
    fetch(`${DEVICES}/simulation`, { method: 'PUT', body: JSON.stringify({ now }) }).then((r) => {
      if (!r.ok) throw new Error(`the devices answered ${r.status}`);
    }),
  fault: (device: string, fault: 'none' | 'lost' | 'rubbish' | 'flood') =>
    fetch(`${DEVICES}/simulation/faults`, { method: 'POST', body: JSON.stringify({ device, fault }) }),
};

export const eventsOf = async (id: string): Promise<{ body: { kind: string } & Record<string, unknown> }[]> =>
  (await db.query('SELECT body FROM batch_event WHERE batch_id = $1 ORDER BY seq', [id])).rows;

export const kindsOf = async (id: string): Promise<string[]> => (await eventsOf(id)).map((e) => e.body.kind);

export const heading = (page: Page) => page.getByRole('heading', { level: 1 });

/** Waits until a batch that was started has its stove; a pot of another test is taken all the same. */
export const started = (page: Page) =>
  expect(async () => {
    const anyway = page.getByRole('button', { name: 'Start all the same' });
    if (await anyway.isVisible()) await anyway.click();
    await expect(page).toHaveURL(/\/stove\/[0-9a-f-]{36}$/, { timeout: 1000 });
  }).toPass({ timeout: 45_000 });

/** Starts a batch from its plan and waits until its stove is live. Returns its id. */
export async function begin(page: Page, query: string): Promise<string> {
  await page.goto(`/plan?${query}`);
  await live(page);
  await page.getByRole('button', { name: 'Start this batch' }).click();
  await started(page);
  await expect(page.getByRole('timer', { name: 'Time left in this step' })).toHaveText(/\d\d:\d\d/);
  await expect(page.getByRole('region', { name: 'At the pass, by the model' })).toBeVisible();
  return page.url().split('/').at(-1) ?? '';
}

/**
 * Lets `seconds` go by at the stove: for the simulated devices, then for the page. The other way round a reading that is
 * under way as the page's clock jumps, of the pot as it was, would stand there as one of now.
 */
export async function pass(page: Page, seconds: number): Promise<void> {
  const ms = Math.round(seconds * 1000);
  await simulate.clock(await page.evaluate((by) => new Date(Date.now() + by).toISOString(), ms));
  await page.clock.fastForward(ms);
}

/** Seconds the step at hand still takes, as the stove says. */
export async function left(page: Page): Promise<number> {
  const text = await page.getByRole('timer', { name: 'Time left in this step' }).innerText();
  if (text.startsWith('+')) return 0;
  return text.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);
}

/** Pairs the devices named with the pot at hand. */
export async function pair(page: Page, names: readonly string[]): Promise<void> {
  await page.getByRole('button', { name: 'Devices' }).click();
  const sheet = page.getByRole('dialog', { name: 'Devices' });
  for (const name of names) {
    await sheet.getByRole('button', { name }).click();
    await expect(sheet.getByRole('button', { name })).toHaveAttribute('aria-pressed', 'true');
  }
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
}

/** Ticks every ladle, pour or fill of the step at hand. */
export async function tickAll(page: Page, name: RegExp): Promise<number> {
  const ticks = page.getByRole('group', { name }).getByRole('button');
  const count = await ticks.count();
  for (let n = 0; n < count; n++) {
    await ticks.nth(n).click();
    await expect(ticks.nth(n)).toHaveAttribute('aria-pressed', 'true');
  }
  return count;
}

/** Taps the step at hand done and waits for the next heading. */
export async function done(page: Page): Promise<void> {
  const before = await heading(page).innerText();
  await page.getByRole('button', { name: /^Done, / }).click();
  await expect(heading(page)).not.toHaveText(before);
}
