import { useState } from 'react'
import { dayLong, figure } from '../../ui/format.ts'
import { Act, Part } from '../../ui/Part.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { LetterPage, MailboxRow } from '../../views/letter-page.ts'
import { fromPage } from '../from-page.tsx'
import { newId } from '../new-id.ts'
import { typedText } from '../records/form-values.ts'
import { SheetForm } from '../records/SheetForm.tsx'
import { sendOnce } from '../send-once.ts'
import { usePages } from '../use-pages.tsx'
import { LetterLines } from './LetterLines.tsx'

interface Props {
  first: LetterPage
  firm: string
  inbox: MailboxRow[]
}

/** Letters with papers, whether they went out; and, where no mail server is set, the mailbox they lie in. */
function LetterList({ first, firm, inbox }: Props) {
  const { rows, more } = usePages(first, '/api/letters')
  const [trying, setTrying] = useState<string | null>(null)
  return (
    <div>
      <TitleBlock name="Letters" under={firm} facts={[]} />
      <div className="grid gap-x-10 px-4 pt-3 pb-10 lg:grid-cols-2 lg:px-6">
        <div className="min-w-0">
          <Part title="Sent and to be sent" action={<Act onClick={() => setTrying(newId())}>Send a test message</Act>}>
            <p className="m-0 pb-1 text-[14px] text-second">
              {first.via
                ? `Handed to ${first.via}. What it takes is on its way; what it refuses for ever says so here.`
                : 'No mail server is set: letters go into the mailbox that ships with the application, and nowhere else.'}
            </p>
            {rows.length === 0 && (
              <p className="m-0">No letter yet. Papers are sent from the papers of a visit or of a place.</p>
            )}
            <LetterLines rows={rows} via={first.via} withVisit withPlace onAgain={async () => location.reload()} />
            {more}
          </Part>
        </div>
        {!first.via && (
          <div className="min-w-0">
            <Part title="In the mailbox">
              {inbox.length === 0 && <p className="m-0">It is empty.</p>}
              <ul className="m-0 list-none p-0">
                {inbox.map((letter) => (
                  <li key={letter.id} className="border-t border-hair py-2">
                    <b className="font-semibold">{letter.subject}</b>
                    <span className="block text-[13.5px] text-second">
                      {dayLong(letter.cameAt.slice(0, 10))}, from {letter.from} to {letter.to}
                      {letter.replyTo && `, answers go to ${letter.replyTo}`}
                    </span>
                    <p className="m-0 max-w-[640px] py-1 whitespace-pre-line">{letter.words}</p>
                    <span className="flex flex-wrap gap-x-5">
                      {letter.files.map(({ n, name, bytes }) => (
                        <a
                          key={n}
                          className="inline-flex min-h-[44px] items-center font-semibold text-copper lg:min-h-[32px]"
                          href={`/api/mailbox/${letter.id}/${n}`}
                        >
                          {name}, {figure(Math.max(1, Math.round(bytes / 1000)))} kB
                        </a>
                      ))}
                    </span>
                  </li>
                ))}
              </ul>
            </Part>
          </div>
        )}
      </div>
      {trying && (
        <Sheet
          open
          onOpenChange={() => setTrying(null)}
          title="A test message"
          about="To see that letters go out from here."
        >
          <SheetForm
            fields={[{ id: 'to', label: 'To', kind: 'email' }]}
            values={{ to: '' }}
            save="Send it"
            onCancel={() => setTrying(null)}
            onSave={async (values) => {
              const told = await sendOnce<object>('POST', '/api/letters', {
                id: trying,
                to: typedText(values, 'to'),
                subject: `A test message from ${firm}`,
                words: 'If you can read this, letters go out.',
              })
              if (told.ok) location.reload()
              return told
            }}
          />
        </Sheet>
      )}
    </div>
  )
}

export const LetterListIsland = fromPage(LetterList)
