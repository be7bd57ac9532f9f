import { useMemo } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { effective, ownPolicy } from '../../core/standing/histories.ts'
import { routineHere } from '../../core/standing/routine.ts'
import { dayNear } from '../../ui/format.ts'
import { everyWords } from '../../ui/interval-words.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'

/** What whoever works with the machine does between visits: how, how often, when last and when next. */
export function Routine({ bundle, kind, today }: { bundle: MachineBundle; kind: Kind; today: string }) {
  const lines = useMemo(() => routineHere(effective(bundle.ledgers)), [bundle])
  const early = ownPolicy(effective(bundle.ledgers), null)?.body.policy ?? 'usual'
  return (
    <>
      <ul className="m-0 list-none p-0 text-[14px]">
        {lines.map(({ what, way, every, mark, last, next }) => (
          <li
            key={`${what} ${way}`}
            className="grid gap-x-4 border-t border-hair py-1.5 md:grid-cols-[minmax(0,1fr)_minmax(0,0.8fr)_110px_110px]"
          >
            <span className="min-w-0">
              <b className="font-semibold">{what}</b>
              {way && <span className="text-second">, {way}</span>}
            </span>
            <span className="min-w-0">
              {typeof every === 'string' ? every : `every ${everyWords(every, early, kind.counter.unit)}`}{' '}
              <span className="text-second">({mark === 'M' ? 'from memory' : 'common practice'})</span>
            </span>
            <span className={last ? 'mono' : 'text-second'}>
              {last ? `last ${dayNear(last, today)}` : 'not on record'}
            </span>
            <span className="mono">{next && `next ${dayNear(next, today)}`}</span>
          </li>
        ))}
      </ul>
      {kind.descaleNote && <p className="text-[14px] text-second">{kind.descaleNote}</p>}
    </>
  )
}
