/**
 * A kind as it was written, under the names of today: files and entries of before call tasks duties, and policies
 * schools. What is no kind, or has today's names, comes back as it is.
 */
export function kindRespelt(given: unknown): unknown {
  if (!isRecord(given) || !('duties' in given)) return given
  const { duties: tasks, descale, ...rest } = given
  return { ...rest, tasks, ...(descale !== undefined && { descale: descaleRespelt(descale) }) }
}

function descaleRespelt(given: unknown): unknown {
  if (!isRecord(given) || !Array.isArray(given.litres)) return given
  const litres = given.litres.map((row: unknown) => {
    if (!isRecord(row) || !('bySchool' in row)) return row
    const { bySchool: byPolicy, ...rest } = row
    return { ...rest, byPolicy }
  })
  return { ...given, litres }
}

const isRecord = (given: unknown): given is Record<string, unknown> => typeof given === 'object' && given !== null && !Array.isArray(given)
