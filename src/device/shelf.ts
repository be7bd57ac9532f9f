import type { AnyObject, ObjectSchema } from 'yup'
import { deviceDatabase, type KeptItem, setAside } from './database.ts'
import { closed, opened } from './half-done.ts'
import { heldUntil, isHeld, takeUnwritten } from './unwritten.ts'

/** One sort of thing that this device keeps, and how it is read back. */
export interface ShelfOf {
  name: string
  /** Of the shape that is kept now; one more with each change of it. */
  version: number
  /** Its shape; fetched when something is there to be read. */
  schema(): Promise<ObjectSchema<AnyObject>>
  /** From each earlier version to the one after it. */
  lift?: Record<number, (value: never) => object>
  /** Where the first version kept it, before there was one store. */
  former?: (of: string) => string
}

/** What was found: something, nothing, or something that had to be set aside, with a word for the screen. */
export type Found<T> = { value: T; aside: null } | { value: null; aside: string | null }

/** One sort of thing kept on this device, see `ShelfOf`. */
export interface Shelf<T> {
  /**
   * Never throws: where nothing can be kept, nothing is found.
   * @param unfit - says why it means nothing any more, where what it names may have been renamed since
   */
  read(of: string, unfit?: (value: T) => string | null): Promise<Found<T>>
  /** @returns whether it is kept: a full or forbidden store costs a thing its second life, not its first */
  keep(of: string, value: T): Promise<boolean>
  drop(of: string): Promise<void>
}

/**
 * A shelf of the device's store. What comes back has been read through its schema: another version's thing is lifted,
 * what cannot be read is set aside.
 *
 * @example const drafts = shelf<Draft>({ name: 'draft', version: 1, schema: () => import('./draft-schema.ts') … })
 */
export function shelf<T extends object>(of: ShelfOf): Shelf<T> {
  const nothing: Found<T> = { value: null, aside: null }
  return {
    async read(id, unfit) {
      try {
        const item = (await latest(of.name, id)) ?? formerItem(of, id)
        if (!item) return nothing
        const read = await readItem<T>(of, item)
        const why = typeof read === 'string' ? read : (unfit?.(read) ?? null)
        if (typeof read !== 'string' && why === null) return { value: read, aside: null }
        await setAside(item, why!)
        forgetFormer(of, id)
        return { value: null, aside: why }
      } catch (error) {
        console.info(`What this device keeps cannot be read: ${of.name}`, error)
        return nothing
      }
    },
    async keep(id, value) {
      try {
        const item: KeptItem = { shelf: of.name, of: id, version: of.version, value, keptAt: Date.now() }
        await heldUntil(item, async () => {
          const shut = await closed(item)
          // To encipher a long thing takes longer than a short one: what was written or dropped since stands.
          if (isHeld(item)) await (await deviceDatabase()).put('kept', shut)
        })
        forgetFormer(of, id)
        return true
      } catch (error) {
        console.info(`Not kept on this device: ${of.name}`, error)
        return false
      }
    },
    async drop(id) {
      try {
        forgetFormer(of, id)
        const gone: KeptItem = { shelf: of.name, of: id, version: of.version, value: null, keptAt: Date.now() }
        await heldUntil(gone, async () => (await deviceDatabase()).delete('kept', [of.name, id]))
      } catch (error) {
        console.info(`Still kept on this device: ${of.name}`, error)
      }
    },
  }
}

/** What is in the store; or what the page before could not write into it any more, if that is later. */
async function latest(shelf: string, id: string): Promise<KeptItem | null> {
  const db = await deviceDatabase()
  const stored = (await db.get('kept', [shelf, id])) ?? null
  const unwritten = takeUnwritten(shelf, id)
  if (!unwritten || (stored && stored.keptAt > unwritten.keptAt)) return stored && opened(stored)
  if (unwritten.value === null) await db.delete('kept', [shelf, id])
  else await db.put('kept', await closed(unwritten))
  return unwritten.value === null ? null : unwritten
}

/** The thing in today's shape, or in words why it cannot be read. */
async function readItem<T extends object>(of: ShelfOf, item: KeptItem): Promise<T | string> {
  if (item.version > of.version) return 'a later version kept it'
  let value = item.value as object
  for (let version = item.version; version < of.version; version += 1) {
    const lift = of.lift?.[version]
    if (!lift) return 'an earlier version kept it in another shape'
    try {
      value = lift(value as never)
    } catch {
      return 'an earlier version kept it in another shape'
    }
  }
  const [{ parseStrict }, schema] = await Promise.all([import('../core/parse/parse-strict.ts'), of.schema()])
  const parsed = parseStrict(schema, value)
  if (!parsed.ok) {
    console.info(`What this device kept is not as it should be: ${of.name}`, parsed.issues)
    return 'it is not as it was written'
  }
  // What the schema let through is the shape it describes; what was kept is handed back as it was kept.
  return value as T
}

/** What stood in the store of before, one text a thing. */
function formerItem({ name, former }: ShelfOf, of: string): KeptItem | null {
  const text = former && globalThis.localStorage?.getItem(former(of))
  if (!text) return null
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    value = text
  }
  return { shelf: name, of, version: 1, value, keptAt: 0 }
}

function forgetFormer({ former }: ShelfOf, of: string): void {
  if (former) globalThis.localStorage?.removeItem(former(of))
}
