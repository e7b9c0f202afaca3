import { expect, test } from '@playwright/test';

test('look', async ({ page }) => {
  page.on('pageerror', (e) => console.log('ERR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text()));
  await page.goto('/log');
  await page.getByRole('button', { name: /, in hand$/ }).click();
  await page
    .getByRole('textbox', { name: 'Find an instrument, a tuning or a view' })
    .fill('Lapwing');
  await page
    .getByRole('button', { name: /^Lapwing/ })
    .last()
    .click();
  await expect(page.getByText('its peg slips').first()).toBeVisible({ timeout: 30000 });
  await page.screenshot({ path: '/tmp/log.png' });
  await page.getByText('The figures behind it').click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: '/tmp/log2.png', fullPage: true });
  await page.goto('/year');
  await page.waitForTimeout(1500);
  await page.screenshot({ path: '/tmp/year.png' });
  await page.goto('/labels');
  await page.waitForTimeout(800);
  await page.screenshot({ path: '/tmp/labels.png' });
  await page.goto('/shelf?as=table');
  await page.waitForTimeout(3800);
  await page.screenshot({ path: '/tmp/table.png' });
});
