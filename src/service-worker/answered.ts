import { aboutDevice } from '../device/about-device.ts'
import { answerFor, answerHere, shownAs } from '../device/answers.ts'
import { obeyShutOut } from '../device/door.ts'
import { packAgain } from '../device/packed.ts'
import { fromNetwork, isLame } from './network.ts'

/**
 * Answers what a page asks: from the network where it answers in time, kept as it passes; else from what this device has.
 * What was written here and has not been sent stands in both.
 */
export async function answered(request: Request, url: URL): Promise<Response> {
  const isPage = request.headers.get('accept') === 'application/json'
  const known = answerFor(url, isPage)!
  const now = await deviceNow()
  if (isLame()) {
    const here = await fromHere(url, isPage, now)
    if (here) return here
  }
  const response = await fromNetwork(request)
  if (response && (await obeyShutOut(response))) return response
  if (!response) return (await fromHere(url, isPage, now)) ?? Response.error()
  // A server that is busy says so on a page of its own; here what is packed is the better answer.
  if (response.status === 503) return (await fromHere(url, isPage, now)) ?? response
  if (response.status !== 200 || known.onlyHere) return response
  const answer: unknown = await response
    .clone()
    .json()
    .catch(() => undefined)
  // The line broke in the middle of the answer.
  if (answer === undefined) return (await fromHere(url, isPage, now)) ?? Response.error()
  if (known.packs) await packPassing(known.packedAs(url), answer, response.headers.get('etag'))
  const shown = await shownAs(known, answer, url, now)
  return shown === answer ? response : Response.json(shown)
}

async function fromHere(url: URL, isPage: boolean, now: Date): Promise<Response | null> {
  const here = await answerHere(url, isPage, now)
  return here && Response.json(here.answer)
}

/** What was looked at is kept; where there is no room it was looked at all the same. */
async function packPassing(address: string, answer: unknown, etag: string | null): Promise<void> {
  try {
    await packAgain(address, answer, { etag, at: Date.now() })
  } catch (error) {
    console.info(`Not kept on this device: ${address}`, error)
  }
}

/** The server’s clock as far as this device knows it. */
async function deviceNow(): Promise<Date> {
  return new Date(Date.now() + ((await aboutDevice())?.aheadMs ?? 0))
}
