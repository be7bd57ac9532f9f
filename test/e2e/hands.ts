import type { Page } from '@playwright/test'

/** A run that sleeps for ten seconds was not watched: leaps of half that leave a slow machine room. */
const leapMs = 5000
const watchOn = async (page: Page, leaps: number): Promise<void> => {
  for (let i = 0; i < leaps; i += 1) await page.clock.fastForward(leapMs)
}

/** Presses on until a step of these words is up; strokes run by a clock that is wound on. */
export async function onTo(page: Page, words: string | RegExp, until = page.getByText(words).first()): Promise<void> {
  for (let i = 0; i < 90; i += 1) {
    if (await until.isVisible()) return
    const partIn = page.getByRole('dialog', { name: 'A new part went in' })
    if (await partIn.isVisible()) await partIn.getByRole('button', { name: 'It is in' }).click()
    else if (await page.getByRole('button', { name: /^Pause/ }).isVisible()) await watchOn(page, 1)
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

/** Plays a run to its end: each look as when all is well, each reading as it should be, what works by itself waited for. */
export async function toTheEnd(page: Page): Promise<void> {
  const done = page.getByRole('heading', { name: 'Done' })
  for (let i = 0; i < 160; i += 1) {
    if (await done.isVisible()) return
    const note = page.getByRole('button', { name: 'Note it' })
    const press = page.getByRole('button', { name: /^(Done|It is in|Seen|Started|Thrown away|Held|Pressed|Taken)/ })
    const partIn = page.getByRole('dialog', { name: 'A new part went in' })
    if (await partIn.isVisible()) await partIn.getByRole('button', { name: 'It is in' }).click()
    else if (await page.getByRole('button', { name: /^Pause/ }).isVisible()) await watchOn(page, 1)
    else if (await page.getByText(/· paused/).isVisible()) await page.keyboard.press('p')
    else if (await note.isVisible()) {
      const good = /good: ([\d.]+) to/.exec((await page.locator('form').textContent()) ?? '')
      await page.locator('form input').fill(good?.[1] ?? '5')
      await note.click()
    } else if (await page.getByRole('group').getByRole('button').first().isVisible()) await page.keyboard.press('1')
    else if (await press.isVisible()) await press.click()
    // Nothing for the hands: a soak.
    else await watchOn(page, 12)
  }
  throw new Error('the run never came to its end')
}
