import { useState } from 'react'
import { FileInput } from '../../ui/FileInput.tsx'
import { island } from '../island.tsx'
import { Form } from '../records/Form.tsx'
import { typedText, wrongAt } from '../records/form-values.ts'

/** Reads a firm's whole data back into an empty place: its file, and how its owner signs in here. */
function BringInFirm() {
  const [file, setFile] = useState<File | null>(null)
  return (
    <div className="flex flex-col gap-3">
      <label className="plain inline-flex cursor-pointer items-center self-start has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper">
        {file ? file.name : 'Choose the file'}
        <FileInput
          accept="application/json,.json,application/zip,.zip"
          className="sr-only"
          onChosen={(chosen) => setFile(chosen ?? null)}
        />
      </label>
      <Form
        fields={[
          {
            id: 'email',
            label: 'E-mail address',
            hint: 'the owner signs in with',
            kind: 'email',
            half: true,
            autoComplete: 'username',
          },
          {
            id: 'password',
            label: 'Password',
            hint: 'a new one, 10 characters or more',
            kind: 'password',
            half: true,
            autoComplete: 'new-password',
          },
        ]}
        values={{ email: '', password: '' }}
        save="Bring it in"
        onSave={async (values) => {
          if (!file) return wrongAt('', 'Choose the file first.')
          const owner = { email: typedText(values, 'email'), password: String(values.password) }
          try {
            // The file goes as it is: it may be large, and is checked where it arrives.
            const response = await (file.name.endsWith('.zip') ? sendZip(owner, file) : sendJson(owner, file))
            const answer = await response.json()
            if (!response.ok) return { ok: false, issues: answer.issues }
            location.assign('/round')
            return { ok: true }
          } catch {
            return wrongAt('', 'No connection: nothing was read.')
          }
        }}
      />
    </div>
  )
}

interface Owner {
  email: string
  password: string
}

const sendJson = (owner: Owner, file: File) =>
  fetch('/api/first-run-data', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: new Blob([`{"owner":${JSON.stringify(owner)},"data":`, file, '}']),
  })

/** The zip is the whole body: who the owner is goes beside it, in letters that a header may have. */
const sendZip = (owner: Owner, file: File) =>
  fetch('/api/first-run-everything', {
    method: 'POST',
    headers: { 'content-type': 'application/zip', 'x-owner': encodeURIComponent(JSON.stringify(owner)) },
    body: file,
  })

export const BringInFirmIsland = island(BringInFirm)
