import { useState } from 'react'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import type { PageAddress } from '../../views/customer-page.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { sendLogo } from '../photos.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'

interface Props {
  firmId: string
  now: PageAddress['letterhead']
  today: LocalDay
  onClose: () => void
  onSaved: () => Promise<void>
}

const stillDrawn = 'The logo is still being drawn: a moment, then once more.'
const fields = ['phone', 'email', 'address', 'numbers'] as const

/** How the firm is reached, as its papers and its customers’ pages say it. */
export function LetterheadSheet({ firmId, now, today, onClose, onSaved }: Props) {
  const [logo, setLogo] = useState(now?.logo ?? '')
  const [wrong, setWrong] = useState('')
  const [sending, setSending] = useState(false)
  const take = async (file: File | undefined) => {
    if (!file) return
    setWrong('')
    setSending(true)
    const sent = await sendLogo(file)
    setSending(false)
    if (sent.ok) setLogo(sent.name)
    else setWrong(sent.message)
  }
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Letterhead"
      about="Of the whole firm: on reports, labels and customers’ pages."
    >
      <SheetForm
        fields={[
          { id: 'phone', label: 'Telephone', half: true, hint: 'as it is dialled', paths: ['body.phone'] },
          { id: 'email', label: 'E-mail', half: true, paths: ['body.email'] },
          { id: 'address', label: 'Address', paths: ['body.address'] },
          { id: 'numbers', label: 'Numbers', hint: 'register, tax number, account', paths: ['body.numbers'] },
        ]}
        values={Object.fromEntries(fields.map((id) => [id, now?.[id] ?? '']))}
        save="Save the letterhead"
        onCancel={onClose}
        onSave={async (values) => {
          if (sending) return { ok: false, issues: [{ path: '', code: 'busy', message: stillDrawn }] }
          const said = Object.fromEntries(
            fields.flatMap((id) => {
              const text = typedText(values, id)
              return text ? [[id, text]] : []
            }),
          )
          const told = await writeFrom([
            makeEntry('firm', firmId, 'setting', { setting: 'letterhead', ...said, ...(logo && { logo }) }, today),
          ])
          if (told.ok) {
            await onSaved()
            onClose()
          }
          return told
        }}
      >
        <div className="flex flex-col gap-1">
          <label className="flex min-w-0 flex-col gap-0.5">
            <span className="slim text-[14px]">Logo: PNG, JPEG, WebP or SVG; letters in an SVG as outlines</span>
            <FileInput
              accept="image/png,image/jpeg,image/webp,image/svg+xml,.svg"
              className="field w-full min-w-0"
              onChosen={take}
              aria-describedby="logo-says"
            />
          </label>
          <p id="logo-says" role="status" className="m-0 text-[14px] text-second">
            {sending ? 'Drawing it anew …' : logo ? 'As it stands on paper:' : 'None yet: papers begin with the name.'}
          </p>
          {wrong && (
            <p role="alert" className="m-0 text-[14px] font-semibold text-seal-ink">
              {wrong}
            </p>
          )}
          {logo && (
            <p className="m-0 flex flex-wrap items-center gap-4">
              <img
                src={`/api/photos/${logo}`}
                alt="The logo"
                className="max-h-[72px] max-w-[240px] border border-hair bg-white p-2"
              />
              <button type="button" className="plain" onClick={() => setLogo('')}>
                Take it off
              </button>
            </p>
          )}
        </div>
      </SheetForm>
    </Sheet>
  )
}
