/** What is under way on this page, by name: where the browser has no locks, tabs are kept apart by ids alone. */
const under = new Map<string, Promise<unknown>>()

/** Does something while no other tab of this device does it; others wait for their turn. */
export async function alone<T>(name: string, work: () => Promise<T>): Promise<T> {
  const locks = globalThis.navigator?.locks
  if (locks) return (await locks.request(name, work)) as T
  const mine = (under.get(name) ?? Promise.resolve()).catch(() => undefined).then(work)
  under.set(name, mine)
  return mine
}
