/** A line that is there and brings nothing is worse than none: so long it is waited for, ms; a moment after it brought nothing, less. */
const patience = 5000
const patienceWhileLame = 1500
/** After it brought nothing, what is here is shown first for so long, ms. */
const lameFor = 15_000

let lameUntil = 0

/** Whether the network brought nothing a moment ago. */
export const isLame = (): boolean => Date.now() < lameUntil

/**
 * Asks the network; null where it does not answer in time.
 * @throws where the page itself wants no answer any more: that says nothing of the line
 */
export async function fromNetwork(request: Request): Promise<Response | null> {
  const stop = new AbortController()
  const timer = setTimeout(() => stop.abort(), isLame() ? patienceWhileLame : patience)
  const give = () => stop.abort()
  request.signal.addEventListener('abort', give)
  try {
    const response = await fetch(request, { signal: stop.signal })
    // Something before the server answers in its place: it is down, or coming back.
    if ([502, 504].includes(response.status)) return null
    lameUntil = 0
    return response
  } catch (error) {
    if (request.signal.aborted) throw error
    lameUntil = Date.now() + lameFor
    return null
  } finally {
    clearTimeout(timer)
    request.signal.removeEventListener('abort', give)
  }
}
