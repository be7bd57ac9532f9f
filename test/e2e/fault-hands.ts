import type { Page } from '@playwright/test'
import { bookOf } from '../../src/core/faults/books.ts'
import { outcomesUnder } from '../../src/core/faults/likelihood.ts'
import { expect } from './pages.ts'

export const next = (page: Page) => page.getByRole('region', { name: 'Next test' })
export const repair = (page: Page) => page.getByRole('region', { name: 'Repair' })

/** Answers each test as the fault would show it, until that fault is to be repaired. */
export async function answerAs(page: Page, kind: string, fault: string): Promise<number> {
  const book = bookOf(kind)!
  const { name } = book.faults.find(({ id }) => id === fault)!
  for (let done = 0; done < 25; done += 1) {
    const found = repair(page).getByRole('heading', { name: `Repair: ${name}` })
    // One of the two must stand before it is read: between them, nothing does.
    await expect(found.or(next(page)).first()).toBeVisible()
    if (await found.isVisible()) return done
    const said = (await next(page).getByRole('heading').first().textContent())!.replace(/^Once more: /, '')
    const known = book.tests.find(({ say }) => say === said)!
    const [outcome] = [...outcomesUnder(known, fault)].sort((a, b) => b[1] - a[1])[0]!
    const { words } = known.outcomes.find(({ id }) => id === outcome)!
    // Beside an answer stand the suspects it would move: it is found by its own words alone.
    const own = page.locator('b').getByText(words, { exact: true })
    await next(page).getByRole('listitem').filter({ has: own }).getByRole('button').click()
    await expect(page.getByRole('region', { name: 'Working' }).getByRole('list').last()).toContainText(words)
  }
  throw new Error(`never came to ${name}`)
}
