/**
 * A procedure as it was written, under the names of today: files, entries and runs of before call its ways schools.
 * What is no procedure, or has today's names, comes back as it is.
 */
export function procedureRespelt(given: unknown): unknown {
  if (typeof given !== 'object' || given === null || !('schools' in given)) return given
  const { schools: ways, ...rest } = given
  return { ...rest, ways }
}
