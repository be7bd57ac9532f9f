import { aboutDevice } from '../device/about-device.ts'
import { knock } from '../device/door.ts'
import { fromNetwork } from './network.ts'

/** The page in which a device draws its own. */
export const frame = '/here'

/** Pages that are the server’s alone: who comes in, and what is downloaded. */
const serversAlone = /^\/(sign-in|join|first-run|calendar|api)(\/|$)/

export const isFieldPage = ({ pathname }: URL): boolean => !serversAlone.test(pathname)

/** A page from the network; where that does not answer, the frame, which draws what this device has of it. */
export const pageOrFrame = async (request: Request, framed: () => Promise<Response>): Promise<Response> => {
  const response = await fromNetwork(request)
  // Sent to sign in, perhaps because this device was shut out: it is told before anything else is asked.
  if (response?.type === 'opaqueredirect' && (await aboutDevice())) await knock(patienceAtTheDoor)
  return response ?? framed()
}

const patienceAtTheDoor = 5000
