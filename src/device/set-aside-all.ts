import { deviceDatabase, setAside } from './database.ts'
import { takeUnwrittenOf } from './unwritten.ts'

/**
 * Sets aside everything that is kept of some things, and what the last page could not write of them any more: for a
 * page that breaks on what it finds.
 * @param of - ids of machines, or whatever else the shelves go by
 */
export async function setAsideAllOf(of: string[]): Promise<void> {
  const stored = await (await deviceDatabase()).getAll('kept')
  const all = [
    ...stored.filter((item) => of.includes(item.of)),
    ...takeUnwrittenOf(of).filter(({ value }) => value !== null),
  ]
  await Promise.all(all.map((item) => setAside(item, 'the page broke on it')))
}
