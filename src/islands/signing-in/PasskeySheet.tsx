import { startRegistration } from '@simplewebauthn/browser'
import { Sheet } from '../../ui/Sheet.tsx'
import { send, type Told } from '../keep.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

type Options = Parameters<typeof startRegistration>[0]['optionsJSON']

/** Has the browser make a passkey and the server keep it. */
export async function addPasskey(name: string, onAdded: (paper: string[]) => void): Promise<Told<object>> {
  const begun = await send<Options>('POST', '/api/signing-in/passkeys')
  if (!begun.ok) return begun
  try {
    const response = await startRegistration({ optionsJSON: begun })
    const told = await send<{ recoveryCodes: string[] }>('PUT', '/api/signing-in/passkeys', { name, response })
    if (told.ok) onAdded(told.recoveryCodes)
    return told
  } catch (error) {
    const message =
      (error as Error).name === 'InvalidStateError'
        ? 'This device has a passkey of yours already.'
        : 'No passkey was made: the device said no, or it was waved away.'
    return { ok: false, issues: [{ path: '', code: 'none', message }] }
  }
}

/** Names a passkey before it is made: which device, in a list of several. */
export function PasskeySheet({
  onClose,
  onSave,
}: {
  onClose: () => void
  onSave: (name: string) => Promise<Told<object>>
}) {
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="A passkey"
      about="The device asks for your finger, your face or its own code. Whoever has the device and that comes in without the password."
    >
      <SheetForm
        fields={[{ id: 'name', label: 'What you tell it by', hint: 'such as the phone in the van' }]}
        values={{ name: '' }}
        save="Make it"
        onCancel={onClose}
        onSave={(values) => onSave(typedText(values, 'name'))}
      />
    </Sheet>
  )
}
