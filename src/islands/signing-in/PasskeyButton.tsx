import { startAuthentication } from '@simplewebauthn/browser'
import { useState } from 'react'
import { island } from '../island.tsx'
import { send } from '../keep.ts'

type Options = Parameters<typeof startAuthentication>[0]['optionsJSON']

/** Signs in with a finger, a face or the device's own code, where a passkey of ours is on it. */
function PasskeyButton({ next }: { next: string }) {
  const [wrong, setWrong] = useState('')
  const show = async () => {
    setWrong('')
    const asked = await send<Options>('POST', '/api/sign-in/passkey-options', {})
    if (!asked.ok) return setWrong(asked.issues[0]!.message)
    try {
      const response = await startAuthentication({ optionsJSON: asked })
      const told = await send<object>('POST', '/api/sign-in/passkey', response)
      if (told.ok) location.assign(next)
      else setWrong(told.issues[0]!.message)
    } catch {
      // Whoever waves it away knows so; a device without one has said so itself.
      setWrong('No passkey was shown: use your password.')
    }
  }
  return (
    <div className="mt-3">
      <button type="button" className="plain w-full" onClick={show}>
        Use a passkey
      </button>
      {wrong && (
        <p role="alert" className="mt-2 mb-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
    </div>
  )
}

export const PasskeyButtonIsland = island(PasskeyButton)
