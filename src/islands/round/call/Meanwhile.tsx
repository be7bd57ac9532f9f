import type { SafeWord } from '../../../core/faults/call-needs.ts'
import { meanwhile } from '../../../core/faults/meanwhile.ts'
import type { Kind } from '../../../core/kinds/kind.ts'
import { figure } from '../../../ui/format.ts'
import type { CallPlace } from '../../../views/call-page.ts'

interface Props {
  safe: SafeWord[]
  symptoms: readonly string[]
  kind: Kind
  /** Other machines of the place that run. */
  others: CallPlace['machines']
  busy: boolean
  onCured: (word: SafeWord) => void
}

/** What they can safely do until somebody comes, or instead of it; nobody is asked to open a machine. */
export function Meanwhile({ safe: all, symptoms, kind, others, busy, onCured }: Props) {
  const { runsDry, notAgain, safe } = meanwhile(all, symptoms, kind)
  const help = others.filter(({ perDay }) => perDay !== null && perDay >= 1).sort((a, b) => b.perDay! - a.perDay!)[0]
  return (
    <ul className="m-0 list-none p-0 text-[15px]">
      {help && (
        <li className="border-t border-hair py-1">
          <b className="font-semibold">Serve from {help.name}</b>
          <span className="text-second">
            , {help.model || 'beside it'}, {figure(Math.round(help.perDay!))} a day now
          </span>
        </li>
      )}
      {notAgain && (
        <li className="border-t border-hair py-1">
          <b className="font-semibold">Nobody runs it once more to show it.</b>
        </li>
      )}
      {runsDry && (
        <li className="border-t border-hair py-1">
          <b className="font-semibold">Not once more to see:</b> a pump without water runs dry. Main switch off until
          somebody is there.
        </li>
      )}
      {safe.map((word) => (
        <li key={word.fault} className="flex flex-wrap items-center gap-x-3 border-t border-hair py-1">
          <span className="min-w-0 flex-1 basis-[260px]">
            {word.say}{' '}
            <span className="text-[13px] text-second">
              {word.name.toLowerCase()},{' '}
              {Math.round(10 * word.chance) >= 1 ? `${Math.round(10 * word.chance)} in 10` : 'not likely'}
            </span>
          </span>
          <button type="button" className="plain" disabled={busy} onClick={() => onCured(word)}>
            That was it
          </button>
        </li>
      ))}
      {!help && !notAgain && !runsDry && safe.length === 0 && (
        <li className="py-0.5 text-second">
          Nothing that helps is safe without us. Leave it as it is; water on the floor: off from a dry place.
        </li>
      )}
    </ul>
  )
}
