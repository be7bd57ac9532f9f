import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import config from '../../playwright.config.ts'
import { looksRight } from './accessible.ts'
import { filmOf } from './camera.ts'
import { awake, expect, machineId, test } from './pages.ts'
import { baseUrl } from './server-control.ts'

const { executablePath, args = [] } = config.use!.launchOptions!

test('a label held before the camera opens its machine', async ({ ines: page }) => {
  const id = await machineId(page, 'Breakfast bar')
  await page.goto(`/machines/${id}/care`)
  await awake(page)
  const made = () => page.request.get(`/api/machines/${id}/page`).then((answer) => answer.json())
  if (!(await made()).path) {
    const part = page.getByRole('region', { name: 'Their own page' })
    await part.getByRole('button', { name: 'Give it a page' }).click()
    await expect(part.getByRole('link', { name: 'Print its label' })).toBeVisible()
  }
  const folder = mkdtempSync(join(tmpdir(), 'evenshot-film-'))
  const scan = async (text: string) => {
    const film = join(folder, 'label.y4m')
    filmOf(text, film)
    const browser = await chromium.launch({
      ...(executablePath && { executablePath }),
      args: [
        ...args,
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
        `--use-file-for-fake-video-capture=${film}`,
      ],
    })
    const context = await browser.newContext({
      baseURL: baseUrl(),
      storageState: await page.context().storageState(),
      viewport: { width: 390, height: 844 },
      hasTouch: true,
    })
    const phone = await context.newPage()
    await phone.goto('/machines')
    // The first press may come before the page answers.
    await expect(async () => {
      await phone.getByRole('button', { name: /Find machine/ }).click()
      await phone.getByRole('button', { name: 'Scan' }).click({ timeout: 2000 })
    }).toPass()
    return { phone, close: () => browser.close() }
  }
  try {
    const theirs = await scan('https://elsewhere.example/menu')
    await expect(theirs.phone.getByText(/That is no label of ours/)).toBeVisible()
    await looksRight(theirs.phone, 'Scanning a label')
    await theirs.close()
    // Printed when the firm was reached by another address.
    const ours = await scan(`https://old.example${(await made()).path}`)
    await expect(ours.phone).toHaveURL(new RegExp(`/machines/${id}$`), { timeout: 20_000 })
    await ours.close()
  } finally {
    rmSync(folder, { recursive: true })
  }
})

test('where there is no camera it says how else to find the machine', async ({ ines: page }) => {
  await page.goto('/machines')
  await awake(page)
  await page.keyboard.press('Control+k')
  await page.getByRole('button', { name: 'Scan' }).click()
  await expect(page.getByText(/No camera was found|The camera is not allowed here/)).toBeVisible()
})
