import { fromNetwork } from './network.ts'

/** The page in which a device draws its own. */
export const frame = '/here'

/** Pages that are the server’s alone: who comes in, and what is downloaded. */
const serversAlone = /^\/(sign-in|join|first-run|calendar|api)(\/|$)/

export const isFieldPage = ({ pathname }: URL): boolean => !serversAlone.test(pathname)

/** A page from the network; where that does not answer, the frame, which draws what this device has of it. */
export const pageOrFrame = async (request: Request, framed: () => Promise<Response>): Promise<Response> =>
  (await fromNetwork(request)) ?? framed()
