import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'

/** The faults that axe finds. Frames show the client's site, and specimens its colours as they are, read or not: what they say stands beside them. */
export async function faults(page: Page): Promise<(readonly [string, string[]])[]> {
  // A button that has just become one fades in: on the way it is as faint as it was.
  await page.evaluate(() => Promise.allSettled(document.getAnimations().map(({ finished }) => finished)))
  const { violations } = await new AxeBuilder({ page })
    .options({ resultTypes: ['violations'] })
    // Within the page alone: frames are left out, and putting several reports together takes as long again.
    .setLegacyMode(true)
    .exclude('iframe')
    .exclude('.specimen')
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  return violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html)])
}
