import AxeBuilder from '@axe-core/playwright';
import type { Page } from './test.ts';

/** Colours that fade over into a new theme are judged once they have arrived. */
async function faded(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const drawn = () => new Promise((done) => requestAnimationFrame(done));
    await drawn();
    await drawn();
    const ends = document
      .getAnimations()
      .filter((a) => Number.isFinite(a.effect?.getComputedTiming().endTime));
    await Promise.allSettled(ends.map((a) => a.finished));
  });
}

/** What axe finds on a page that is serious or critical; of all its rules, or of one. */
export async function seriousFaults(page: Page, rules?: string): Promise<string[]> {
  await faded(page);
  // Only what is wrong is wanted: all that passes need not be listed.
  // No frame of another origin is there: axe need not open a page of its own to join frames’ reports.
  const axe = new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'], preload: false });
  if (rules) axe.withRules(rules);
  const { violations } = await axe.analyze();
  const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  return serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 140)).join(' | ')}`);
}
