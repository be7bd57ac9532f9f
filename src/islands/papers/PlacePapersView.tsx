import { useState } from 'react'
import { placeLetter } from '../../core/letters/place-letter.ts'
import { Part } from '../../ui/Part.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { PlacePapers } from '../../views/place-papers.ts'
import { fromPage } from '../from-page.tsx'
import { PaperLink } from '../letters/PaperLink.tsx'
import { SendPapers } from '../letters/SendPapers.tsx'

interface Props {
  papers: PlacePapers
  firm: string
  /** The paper that somebody came here to send. */
  first: string
}

/** What can be put on paper of a place without a visit: opened, shared, or sent by e-mail. */
function PlacePapersView({ papers: { siteId, site, customer, to, ofPlace, machines }, firm, first }: Props) {
  const [says, setSays] = useState('')
  const all = [...ofPlace, ...machines.flatMap(({ papers }) => papers)]
  return (
    <div className="flex flex-1 flex-col bg-enamel">
      <TitleBlock
        name={`Papers, ${site}`}
        under={customer}
        facts={[]}
        action={
          <a className="plain inline-flex items-center whitespace-nowrap" href={`/sites/${siteId}`}>
            The place
          </a>
        }
      />
      <div className="grid flex-1 gap-x-10 px-4 pt-3 pb-10 lg:grid-cols-[minmax(0,1fr)_minmax(0,460px)] lg:px-6">
        <div className="min-w-0">
          <p role="status" className="m-0 pb-1 font-semibold text-seal-ink empty:hidden">
            {says}
          </p>
          <p className="m-0 pb-2 text-[14px] text-second">
            As they stand now. Reports and invoices are with the papers of each visit.
          </p>
          <Part title="Of the place">
            <div className="flex flex-wrap gap-x-8">
              {ofPlace.map(({ id, href, name }) => (
                <PaperLink key={id} href={href} name={name} onSays={setSays} />
              ))}
            </div>
          </Part>
          {machines.length === 0 && <p className="m-0 text-second">No machine stands here yet.</p>}
          {machines.map((machine) => (
            <Part key={machine.id} title={machine.name}>
              <div className="flex flex-wrap gap-x-8">
                {machine.papers.map(({ id, href, short }) => (
                  <PaperLink key={id} href={href} name={short} onSays={setSays} />
                ))}
              </div>
            </Part>
          ))}
        </div>
        <div className="min-w-0">
          <SendPapers
            url={`/api/sites/${siteId}/letters`}
            none="Nothing of this place was sent yet."
            papers={all.map(({ id, name }) => [id, name])}
            chosen={all.some(({ id }) => id === first) ? [first] : []}
            opensAtOnce={all.some(({ id }) => id === first)}
            withVisit
            to={to}
            {...placeLetter({ site, firm })}
          />
        </div>
      </div>
    </div>
  )
}

export const PlacePapersIsland = fromPage(PlacePapersView)
