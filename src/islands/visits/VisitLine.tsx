import { visitTermsWords } from '../../core/ledger/visit-terms.ts'
import { dayNear } from '../../ui/format.ts'
import type { VisitRow } from '../../views/visit-page.ts'

interface Props {
  visit: VisitRow
  today: string
  withSite: boolean
}

/** A visit in a list: when, where, who; what was said and done; whether it held. */
export function VisitLine({ visit, today, withSite }: Props) {
  const { machines, said, lines } = visit
  return (
    <li className="border-t border-hair">
      <a
        href={`/visits/${visit.visitId}`}
        className="grid min-h-[44px] grid-cols-[84px_1fr] items-baseline gap-x-3 py-1.5 hover:bg-copper-tint md:grid-cols-[84px_1fr_auto]"
      >
        <span className="mono text-[13px]">{dayNear(visit.on, today)}</span>
        <span className="min-w-0">
          {withSite && <b className="font-semibold">{visit.siteName} </b>}
          <span className={withSite ? 'text-second' : ''}>{machines.join(', ') || 'the site'}</span>
          {said.length > 0 && <span className="narrow text-second"> · {said.join('; ')}</span>}
          {visit.returns.map((comeback) => (
            <b key={comeback.repairId} className="block text-[14px] text-seal-ink">
              Came back {comeback.days} days after the repair{comeback.samePart ? ', same part' : ''}
            </b>
          ))}
          {visit.cameBack.map((comeback) => (
            <span key={comeback.againId} className="block text-[14px] text-brass-ink">
              Came back {dayNear(comeback.againOn, today)}, after {comeback.days} days
            </span>
          ))}
        </span>
        <span className="narrow text-[14px] text-second max-md:col-start-2">
          {visit.technicians.map((name) => name.split(' ')[0]).join(', ')}
          {visit.terms && `, ${visitTermsWords[visit.terms]}`}
          {visit.minutes ? `, ${visit.minutes} min` : ''} · {lines} {lines === 1 ? 'line' : 'lines'}
        </span>
      </a>
    </li>
  )
}
