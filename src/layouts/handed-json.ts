/** Written once for a page: into the page, and as what its drawing is known by. */
const written = new WeakMap<object, string>()

/** What a page hands to its island, as JSON. */
export function handedJson(data: object): string {
  const before = written.get(data)
  if (before !== undefined) return before
  const json = JSON.stringify(data)
  written.set(data, json)
  return json
}
