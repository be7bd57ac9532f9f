import { type Urgency, urgencies } from '../../../core/visits/call-urgency.ts'
import { Key } from '../../../ui/Key.tsx'
import { urgencyWords } from './call-words.ts'

interface Props {
  level: Urgency
  /** As it was reckoned. */
  reckoned: Urgency
  reasons: { what: string; value: string }[]
  onSay: (level: Urgency) => void
}

/** How soon somebody has to be there, and why; whoever hears them may say otherwise. */
export function HowUrgent({ level, reckoned, reasons, onSay }: Props) {
  return (
    <div className="grid gap-x-6 gap-y-1 md:grid-cols-[minmax(240px,0.9fr)_1.1fr]">
      <div>
        <div className="grid grid-cols-3" role="radiogroup" aria-label="How urgent">
          {urgencies.map((one) => {
            const on = one === level
            return (
              <label
                key={one}
                className={`flex min-h-[44px] cursor-pointer flex-col justify-start border-t-[6px] pt-1 text-[14px] leading-tight ${on ? 'border-copper font-semibold text-copper' : 'border-hair text-second'} has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper`}
              >
                <input type="radio" name="urgency" className="sr-only" checked={on} onChange={() => onSay(one)} />
                <span aria-hidden="true" className="h-2.5">
                  {on && (
                    <svg width={14} height={9} aria-hidden="true">
                      <path d="M0 9L7 0l7 9z" fill="var(--copper)" />
                    </svg>
                  )}
                </span>
                {urgencyWords[one].name}
              </label>
            )
          })}
        </div>
        <p className="m-0 text-[15px]">
          <b className="font-semibold">{urgencyWords[level].when}</b>
          {level === reckoned ? ', because:' : ', as you say; reckoned: '}
          {level !== reckoned && urgencyWords[reckoned].name.toLowerCase()}
        </p>
        <p className="m-0 text-[13px] text-second max-md:hidden">
          say otherwise with <Key>←</Key> <Key>→</Key>
        </p>
      </div>
      <ol className="m-0 list-none p-0">
        {reasons.map(({ what, value }, i) => (
          <li key={what} className="flex gap-3 border-t border-hair py-0.5 text-[14px]">
            <span className="mono text-second">{i + 1}</span>
            <span className="min-w-0 flex-1">{what}</span>
            <b className="mono text-right font-semibold">{value}</b>
          </li>
        ))}
      </ol>
    </div>
  )
}
