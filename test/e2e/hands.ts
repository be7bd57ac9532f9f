import type { Page } from '@playwright/test'

/** Presses on until a step of these words is up; strokes run by a clock that is wound on. */
export async function onTo(page: Page, words: string | RegExp, until = page.getByText(words).first()): Promise<void> {
  for (let i = 0; i < 90; i += 1) {
    if (await until.isVisible()) return
    const partIn = page.getByRole('dialog', { name: 'A new part went in' })
    if (await partIn.isVisible()) await partIn.getByRole('button', { name: 'It is in' }).click()
    else if (await page.getByRole('button', { name: /^Pause/ }).isVisible()) await page.clock.runFor(5000)
    else if (await page.getByRole('button', { name: /^Go on/ }).isVisible())
      await page.getByRole('button', { name: /^Go on/ }).click()
    else if (await page.getByRole('group').getByRole('button').first().isVisible())
      // A question on the way is answered as when all is well.
      await page.keyboard.press('1')
    else
      await page.getByRole('button', { name: /^(Done|It is in|Seen|Started|Thrown away|Held|Pressed|Taken)/ }).click()
  }
  throw new Error(`never came to ${words}`)
}
