import { useEffect, useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'
import { send } from '../keep.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

/** Adds a code app: it reads the secret, and its first code shows that it did. */
export function CodeAppSheet({ onClose, onAdded }: { onClose: () => void; onAdded: (paper: string[]) => void }) {
  const [begun, setBegun] = useState<{ secret: string; qrSvg: string } | null>(null)
  const [wrong, setWrong] = useState('')
  useEffect(() => {
    void send<{ secret: string; qrSvg: string }>('POST', '/api/signing-in/code-app').then((told) =>
      told.ok ? setBegun(told) : setWrong(told.issues[0]!.message),
    )
  }, [])
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="A code app"
      about="Any app for time-based codes will do. Nothing changes until its first code was right."
    >
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      {begun && (
        <>
          <div className="flex flex-wrap items-center gap-4">
            {/* A picture for the phone's camera: black on white in either theme. */}
            <img
              className="h-[176px] w-[176px] border border-hair bg-white"
              alt="The secret as a code for the phone's camera"
              src={`data:image/svg+xml;utf8,${encodeURIComponent(begun.qrSvg)}`}
            />
            <div className="min-w-0 flex-1 basis-[220px]">
              <p className="m-0">Point the app at the picture, or type this into it:</p>
              <p className="mono mt-1 mb-0 select-all">{begun.secret.replace(/(.{4})(?=.)/g, '$1 ')}</p>
            </div>
          </div>
          <div className="mt-3">
            <SheetForm
              fields={[
                {
                  id: 'code',
                  label: 'The code it shows now',
                  hint: 'six figures',
                  kind: 'digits',
                  autoComplete: 'one-time-code',
                },
              ]}
              values={{ code: '' }}
              save="Add it"
              onCancel={onClose}
              onSave={async (values) => {
                const code = typedText(values, 'code')
                const told = await send<{ recoveryCodes: string[] }>('PUT', '/api/signing-in/code-app', { code })
                if (told.ok) onAdded(told.recoveryCodes)
                return told
              }}
            />
          </div>
        </>
      )}
    </Sheet>
  )
}
