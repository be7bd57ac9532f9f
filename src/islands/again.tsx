import { createRoot } from 'react-dom/client'
import { Sheet } from '../ui/Sheet.tsx'
import { SheetForm } from './records/SheetForm.tsx'
import { sendOnce } from './send-once.ts'

let asking: Promise<boolean> | null = null

/** Asks whoever sits here for their password once more. @returns false when they would rather not */
export function askAgain(): Promise<boolean> {
  asking ??= new Promise<boolean>((resolve) => {
    const place = document.body.appendChild(document.createElement('div'))
    const root = createRoot(place)
    const answer = (shown: boolean) => {
      root.unmount()
      place.remove()
      asking = null
      resolve(shown)
    }
    root.render(<AgainSheet onAnswer={answer} />)
  })
  return asking
}

function AgainSheet({ onAnswer }: { onAnswer: (shown: boolean) => void }) {
  return (
    <Sheet
      open
      onOpenChange={() => onAnswer(false)}
      title="Still you?"
      about="Keys to the firm and all of its data are handed out only to whoever knows the password. It holds for twenty minutes."
    >
      <SheetForm
        fields={[{ id: 'password', label: 'Your password', kind: 'password', autoComplete: 'current-password' }]}
        values={{ password: '' }}
        save="Go on"
        onCancel={() => onAnswer(false)}
        onSave={async ({ password }) => {
          const told = await sendOnce<object>('POST', '/api/sign-in/again', { password: String(password) })
          if (told.ok) onAnswer(true)
          return told
        }}
      />
    </Sheet>
  )
}

/** Goes to a file that is handed out only to whoever has just shown who they are. @returns what is wrong, if anything */
export async function fetchAsMyself(url: string): Promise<string> {
  try {
    const response = await fetch('/api/sign-in/again')
    if (response.status === 401) return 'You were signed out: sign in again.'
    const { isFresh } = await response.json()
    if (isFresh || (await askAgain())) location.assign(url)
    return ''
  } catch {
    return 'No connection: try again when the network is back.'
  }
}
