import type { Page } from '@playwright/test';

/** Starts the batch that is planned at `query`, in whatever pot stands there, and taps its first three steps done. */
export async function atTheStove(page: Page, query: string): Promise<void> {
  await page.goto(`${process.env.BASE_URL}/plan?${query}`);
  await page.waitForTimeout(2500);
  await page.getByRole('button', { name: 'Start this batch' }).click();
  const stove = page.getByRole('region', { name: 'At the pass, by the model' });
  const anyway = page.getByRole('button', { name: 'Start all the same' });
  await stove.or(anyway).waitFor();
  if (await anyway.isVisible()) await anyway.click();
  await stove.waitFor();
  for (let n = 0; n < 3; n++) {
    await page.getByRole('button', { name: /^Done, / }).click();
    await page.waitForTimeout(300);
  }
}
