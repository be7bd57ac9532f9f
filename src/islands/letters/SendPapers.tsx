import { type ReactNode, useCallback, useEffect, useState } from 'react'
import { Act, Part } from '../../ui/Part.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import type { LetterPage } from '../../views/letter-page.ts'
import { newId } from '../new-id.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { sendOnce } from '../send-once.ts'
import { LetterLines } from './LetterLines.tsx'

interface Props {
  /** Where letters about this are listed and written. */
  url: string
  /** What is said while nothing was sent. */
  none: ReactNode
  /** What can go along: what it is asked for by, and what it is called. */
  papers: [id: string, name: string][]
  /** Those that are ticked at first. */
  chosen: string[]
  /** Somebody came to send just that. */
  opensAtOnce?: boolean
  /** Each letter of a visit leads to that visit’s papers. */
  withVisit?: boolean
  to: string
  subject: string
  words: string
}

/** Papers sent by e-mail; and what was sent already. */
export function SendPapers(props: Props) {
  const { url, none, papers, chosen, opensAtOnce = false, withVisit = false, to, subject, words } = props
  const [page, setPage] = useState<LetterPage | null>(null)
  const [isLost, setIsLost] = useState(false)
  const [id, setId] = useState<string | null>(opensAtOnce ? newId : null)
  const look = useCallback(async () => {
    const response = await fetch(url).catch(() => null)
    setIsLost(!response?.ok)
    if (response?.ok) setPage(await response.json())
  }, [url])
  useEffect(() => void look(), [look])
  const waits = page?.rows.some(({ state, tries }) => state === 'waiting' && tries === 0) ?? false
  useEffect(() => {
    if (!waits) return
    const timer = setInterval(() => void look(), 1500)
    return () => clearInterval(timer)
  }, [look, waits])
  return (
    <Part title="By e-mail" action={<Act onClick={() => setId(newId())}>Send papers</Act>}>
      {!page && (
        <p className="m-0 text-second">
          {isLost ? 'No connection: what was sent is not known here.' : 'Looking what was sent …'}
        </p>
      )}
      {page && page.rows.length === 0 && <div className="m-0 text-second">{none}</div>}
      {page && <LetterLines rows={page.rows} via={page.via} withVisit={withVisit} onAgain={look} />}
      {page && !page.via && (
        <p className="m-0 pt-1 text-[13.5px] text-second">
          No mail server is set: what is sent lies in the{' '}
          <a className="word" href="/letters">
            mailbox
          </a>{' '}
          of this installation.
        </p>
      )}
      {id && (
        <Sheet
          open
          onOpenChange={() => setId(null)}
          title="Send papers"
          about="As they are now. What was sent stays in this list."
        >
          <SheetForm
            fields={[
              { id: 'to', label: 'To', kind: 'email' },
              { id: 'papers', label: 'Papers', kind: 'several', options: papers },
              { id: 'subject', label: 'Subject' },
              { id: 'words', label: 'Words', kind: 'text', rows: 6 },
            ]}
            values={{ to, papers: chosen, subject, words }}
            save="Send"
            onCancel={() => setId(null)}
            onSave={async (values) => {
              const told = await sendOnce<object>('POST', url, {
                id,
                to: typedText(values, 'to'),
                subject: typedText(values, 'subject'),
                words: String(values.words ?? ''),
                papers: values.papers,
              })
              if (told.ok) {
                setId(null)
                await look()
              }
              return told
            }}
          />
        </Sheet>
      )}
    </Part>
  )
}
