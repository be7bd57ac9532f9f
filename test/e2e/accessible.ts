import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/**
 * Nothing spills sideways, and axe finds nothing serious: every rule it has. There are no frames to put together, and
 * what passed is not listed: both cost three times the look itself.
 */
export async function looksRight(page: Page, name: string): Promise<void> {
  const spill = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
  expect(spill, `${name} spills sideways`).toBeLessThanOrEqual(0)
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    .analyze()
  const serious = violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => [
      `${name}: ${id}`,
      ...nodes.slice(0, 3).map(({ html, failureSummary }) => `${html.slice(0, 160)} ${failureSummary ?? ''}`),
    ])
  expect(serious).toEqual([])
}
