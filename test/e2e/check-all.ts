import type { Locator, Page } from '@playwright/test'

/** Ticks every box there is, once they are there: a list of boxes that is asked too soon is empty. */
export async function checkAll(within: Page | Locator): Promise<void> {
  const boxes = within.getByRole('checkbox')
  await boxes.first().waitFor()
  for (const box of await boxes.all()) await box.check()
}
