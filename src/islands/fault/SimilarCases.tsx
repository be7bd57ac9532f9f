import { useState } from 'react'
import { complainedOf, type Search } from '../../core/faults/search.ts'
import { type Histories, ofKind } from '../../core/standing/histories.ts'
import { dayNear } from '../../ui/format.ts'
import type { AlikeCase } from '../../views/alike-cases.ts'

interface Props {
  machineId: string
  search: Search
  histories: Histories
  today: string
}

const mostCases = 5

/** What it was before: on this machine, then, when asked, on others of its kind, the same complaint first. */
export function SimilarCases({ machineId, search, histories, today }: Props) {
  const [others, setOthers] = useState<AlikeCase[] | 'asking' | 'no answer' | null>(null)
  const own = ofKind(histories, 'machine', 'repaired')
    .filter(({ body }) => body.cause)
    .slice(-mostCases)
    .reverse()
  const ask = async () => {
    setOthers('asking')
    try {
      const response = await fetch(`/api/machines/${machineId}/alike`)
      setOthers(response.ok ? ((await response.json()) as AlikeCase[]) : 'no answer')
    } catch {
      setOthers('no answer')
    }
  }
  return (
    <details className="border-t border-hair">
      <summary className="flex min-h-[44px] cursor-pointer items-center font-semibold text-copper">
        What it was before
      </summary>
      <h3 className="slim m-0">On this machine</h3>
      <ul className="m-0 list-none p-0 pb-1 text-[15px]" aria-label="Before on this machine">
        {own.length === 0 && <li className="text-second">No repair with its cause is on record.</li>}
        {own.map(({ id, happenedOn, body }) => (
          <li key={id}>
            <span className="mono text-second">{dayNear(happenedOn, today)}</span> {String(body.cause)}
            {body.cured === false && ', repaired, not cured'}
          </li>
        ))}
      </ul>
      {(others === null || others === 'no answer') && (
        <button type="button" className="plain my-1" onClick={() => void ask()}>
          On other machines of this kind
        </button>
      )}
      <div role="status" className="text-[14px] text-second">
        {others === 'asking' && 'Looking …'}
        {others === 'no answer' && 'No answer from the server: without signal only this machine’s own are here.'}
      </div>
      {Array.isArray(others) && <Others cases={nearest(others, search)} today={today} />}
    </details>
  )
}

/** The same complaint first, each the latest first. */
function nearest(cases: AlikeCase[], search: Search): (AlikeCase & { same: boolean })[] {
  const said = complainedOf(search).flatMap((complaint) => Object.keys(complaint))
  const marked = cases.map((one) => ({ ...one, same: one.symptom !== undefined && said.includes(one.symptom) }))
  return [...marked.filter(({ same }) => same), ...marked.filter(({ same }) => !same)]
}

function Others({ cases, today }: { cases: (AlikeCase & { same: boolean })[]; today: string }) {
  const [all, setAll] = useState(false)
  const same = cases.filter((one) => one.same).length
  const shown = all ? cases : cases.slice(0, Math.max(same, mostCases))
  return (
    <>
      <h3 className="slim m-0">On other machines of this kind</h3>
      <p className="m-0 text-[14px] text-second">
        {cases.length === 0
          ? 'No repair with its cause is on record there either.'
          : `${same} of ${cases.length} were called for the same complaint.`}
      </p>
      <ul className="m-0 list-none p-0 pb-1 text-[15px]" aria-label="On other machines of this kind">
        {shown.map(({ machine, on, told, cause, cured, same: isSame }) => (
          <li key={`${machine.id} ${on} ${cause}`} className="border-t border-hair py-1">
            <span className="mono text-second">{dayNear(on, today)}</span> {cause}
            {!cured && ', repaired, not cured'}
            <span className="block text-[13px] text-second">
              {isSame ? 'the same complaint' : (told ?? 'no complaint on record')} ·{' '}
              <a href={`/machines/${machine.id}`}>
                {machine.name}, {machine.site}
              </a>
            </span>
          </li>
        ))}
      </ul>
      {shown.length < cases.length && (
        <button type="button" className="plain my-1" onClick={() => setAll(true)}>
          All {cases.length}
        </button>
      )}
    </>
  )
}
