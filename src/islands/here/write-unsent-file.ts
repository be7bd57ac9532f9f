import { aboutDevice } from '../../device/about-device.ts'
import { allUnsent } from '../../device/unsent.ts'
import { unsentFile } from '../../device/unsent-file.ts'

/** Hands out what waits of whoever works here as a file. */
export async function writeUnsentFile(): Promise<void> {
  const [about, unsent] = await Promise.all([aboutDevice(), allUnsent()])
  const own = unsent.filter(({ by }) => by === about?.technician.id)
  const { name, text } = unsentFile(own, about, new Date(Date.now() + (about?.aheadMs ?? 0)))
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
