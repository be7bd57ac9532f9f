import type { Procedure } from '../../core/procedures/procedure.ts'

/**
 * Where an issue stands, in words.
 * @example issuePlace('ways[0].parts[1].steps[2].seconds', procedure) // 'Half a scoop, Rinse, step 3, seconds:'
 */
export function issuePlace(path: string, procedure: Procedure): string {
  const found = /^ways\[(\d+)\](?:\.parts\[(\d+)\](?:\.steps\[(\d+)\])?)?\.?(.*)$/.exec(path)
  if (!found) return path && `${path}:`
  const way = procedure.ways[Number(found[1])]
  const part = found[2] === undefined ? undefined : way?.parts[Number(found[2])]
  const words = [
    way?.name,
    part?.name,
    found[3] === undefined ? undefined : `step ${Number(found[3]) + 1}`,
    found[4] || undefined,
  ]
  return `${words.filter(Boolean).join(', ')}:`
}
