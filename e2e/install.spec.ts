import { expect, test } from './test.ts';

/** Width and height of a PNG, from its header (W3C PNG, section 11.2.2). */
const sizeOf = (png: Buffer) => [png.readUInt32BE(16), png.readUInt32BE(20)].join('x');

test('it can be installed: every icon is there in its size, with shortcuts to places that are there', async ({
  page,
  request,
}) => {
  await page.goto('/');
  const href = await page.locator('link[rel="manifest"]').getAttribute('href');
  const manifest = await (await request.get(href ?? '')).json();
  const purposes = manifest.icons.map(({ purpose = 'any' }: { purpose?: string }) => purpose);
  expect(purposes).toContain('maskable');
  for (const { src, sizes, type } of manifest.icons) {
    const answer = await request.get(src);
    expect(answer.headers()['content-type'], src).toContain(type);
    if (sizes !== 'any') expect(sizeOf(await answer.body()), src).toBe(sizes);
  }
  const apple = await page.locator('link[rel="apple-touch-icon"]').getAttribute('href');
  expect(sizeOf(await (await request.get(apple ?? '')).body())).toBe('180x180');
  expect(manifest.shortcuts.map(({ name }: { name: string }) => name)).toEqual([
    'Bench',
    'Shelf',
    'Ear',
  ]);
  for (const { name, url } of manifest.shortcuts) {
    await page.goto(url);
    await expect(page.getByRole('link', { name, exact: true })).toHaveAttribute(
      'aria-current',
      'page',
    );
  }
});
