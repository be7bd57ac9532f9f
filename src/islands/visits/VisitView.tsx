import { kindById } from '../../core/kinds/index.ts'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { isInternal } from '../../core/ledger/photos-in.ts'
import { visitTermsWords } from '../../core/ledger/visit-terms.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { dayFull, dayLong, dayNear, ended } from '../../ui/format.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { Visit } from '../../views/visit-page.ts'
import { EntryPhotos } from '../EntryPhotos.tsx'
import { fromPage } from '../from-page.tsx'
import { MeasureSheet } from './MeasureSheet.tsx'

interface Props {
  visit: Visit
  /** Everything measured on each machine of the visit, for the trend. */
  ledgers: Record<string, RecordedEntry[]>
  today: string
  timeZone: string
}

/** One call, machine by machine: what was said, found, done, fitted and left. */
function VisitView({ visit, ledgers, today, timeZone }: Props) {
  const clock = (instant: string) =>
    new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' }).format(new Date(instant))
  const between =
    visit.arrivedAt || visit.leftAt
      ? `${visit.arrivedAt ? clock(visit.arrivedAt) : '…'} to ${visit.leftAt ? clock(visit.leftAt) : '…'}`
      : null
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name={`Visit of ${dayFull(visit.on)}`}
        under={[visit.siteName, visit.area].filter(Boolean).join(', ')}
        facts={[
          { label: 'Technician', value: visit.technicians.join(', ') },
          ...(between ? [{ label: 'There', value: between }] : []),
          ...(visit.minutes ? [{ label: 'Work', value: visit.minutes, source: 'min' }] : []),
          ...(visit.orderNumber ? [{ label: 'Order', value: visit.orderNumber }] : []),
          { label: 'Terms', value: visit.terms ? visitTermsWords[visit.terms] : 'not said' },
        ]}
        action={
          <>
            <button type="button" className="plain max-md:hidden" onClick={() => window.print()}>
              Print
            </button>
            <a className="plain inline-flex items-center whitespace-nowrap" href={`/sites/${visit.siteId}`}>
              To the site
            </a>
          </>
        }
      />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <p className="m-0 mb-2 text-second md:hidden">
          {[
            visit.technicians.join(', '),
            between,
            visit.minutes ? `${visit.minutes} min` : '',
            visit.terms && visitTermsWords[visit.terms],
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
        {visit.returns.map((comeback) => (
          <p key={comeback.repairId} className="m-0 mb-2 border-l-4 border-seal pl-3 font-semibold text-seal-ink">
            Came back: repaired {dayLong(comeback.repairedOn)}, {comeback.days} days before
            {comeback.samePart ? ', the same part' : ''}.
          </p>
        ))}
        {visit.cameBack.map((comeback) => (
          <p key={comeback.againId} className="m-0 mb-2 border-l-4 border-brass pl-3">
            This repair came back {dayLong(comeback.againOn)}, after {comeback.days} days.
          </p>
        ))}
        {visit.about.map((subject) => {
          const kind = subject.ownKind ?? kindById(subject.machineKind ?? '')
          const measured = subject.entries.filter(({ kind: what }) => what === 'measured')
          const rest = subject.entries.filter(({ kind: what }) => what !== 'measured')
          return (
            <section key={subject.id} className="pb-5">
              <h2 className="head m-0 pb-1">
                {subject.kind === 'machine' ? (
                  <a className="word" href={`/machines/${subject.id}`}>
                    {subject.name}
                  </a>
                ) : (
                  subject.name
                )}
              </h2>
              <ul className="m-0 list-none p-0">
                {rest.map((entry) => (
                  <li
                    key={entry.id}
                    className="border-t border-hair py-1"
                    data-noprint={isInternal(entry) || undefined}
                  >
                    {entryWords(entry, kind)}
                    <EntryPhotos entry={entry} />
                  </li>
                ))}
              </ul>
              {kind && measured.length > 0 && (
                <div className="border-t border-hair pt-2">
                  <MeasureSheet kind={kind} ledger={ledgers[subject.id] ?? []} today={today} visitId={visit.visitId} />
                </div>
              )}
            </section>
          )
        })}
        {visit.about.length === 0 && <p className="text-second">Nothing but the call itself is written down.</p>}
        <p className="m-0 text-[13px] text-second">
          Written down {ended(dayNear(visit.on, today))} What is wrong is corrected in the machine's ledger; what was
          written stays.
        </p>
      </div>
    </div>
  )
}

export const VisitIsland = fromPage(VisitView)
