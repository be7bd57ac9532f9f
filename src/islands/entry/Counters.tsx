import { useEffect, useRef } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { Expected } from '../../core/usage/expected-count.ts'
import { figure } from '../../ui/format.ts'
import { later } from '../../ui/later.tsx'
import { NumberInput } from '../../ui/NumberInput.tsx'
import { verdict } from './counter-verdict.ts'
import type { Draft } from './draft.ts'
import { PlausibilityRule } from './PlausibilityRule.tsx'

const CountedApart = later(() => import('./CountedApart.tsx').then((module) => module.CountedApart))

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  name: string
  unit: string
  expected: Expected | null
  issues: Map<string, string>
  meterName: string
  kind: Kind
  /** What it counted apart when last read. */
  apartBefore: Map<string, number>
  apartOpen: boolean
  /** Once something can be typed. */
  ready: boolean
}

/** Today's counter against what it should show, and a water meter where there is one. */
export function Counters({
  draft,
  onChange,
  name,
  unit,
  expected,
  issues,
  meterName,
  kind,
  apartBefore,
  apartOpen,
  ready,
}: Props) {
  const said = verdict(draft.counter, expected)
  const first = useRef<HTMLInputElement>(null)
  // A known machine is entered from here in seconds; on a phone the keyboard would cover the page.
  useEffect(() => {
    if (ready && window.innerWidth >= 768) first.current?.focus()
  }, [ready])
  return (
    <div className="flex flex-col gap-2 pt-2">
      {!kind.uncounted && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <label className="flex items-center gap-3">
            <span className="w-[130px] leading-tight">
              {name.split(',')[0]}
              <span className="block text-[13px] text-second">
                {name.split(',')[1] ?? (name.toLowerCase() === unit ? '' : unit)}
              </span>
            </span>
            <NumberInput
              className="field mono w-[112px] text-right"
              ref={first}
              name="counter"
              autoComplete="off"
              text={draft.counter}
              onText={(text) => onChange({ counter: text })}
              aria-invalid={issues.has('counter')}
              aria-describedby="counter-says"
              reads={{ whole: true }}
            />
          </label>
          {expected && <PlausibilityRule expected={expected} text={draft.counter} />}
          <span id="counter-says" role="status" className="text-[13px] leading-tight">
            {issues.has('counter') ? (
              <b className="text-seal-ink">{issues.get('counter')}</b>
            ) : said ? (
              <>
                <b className={said.doubtful ? 'text-brass-ink' : ''}>{said.words}</b>
                <span className="block text-second">{said.under}</span>
              </>
            ) : expected ? (
              <span className="text-second">
                last {figure(expected.last)}, {expected.days} open days ago
              </span>
            ) : (
              <span className="text-second">never read: type what it shows</span>
            )}
          </span>
        </div>
      )}
      {apartOpen && <CountedApart draft={draft} onChange={onChange} kind={kind} before={apartBefore} issues={issues} />}
      <label className="flex flex-wrap items-center gap-3">
        <span className="w-[130px] leading-tight">
          {meterName}
          <span className="block text-[13px] text-second">litres, if there is one</span>
        </span>
        <NumberInput
          className="field mono w-[112px] text-right"
          name="meter"
          autoComplete="off"
          text={draft.meter}
          onText={(text) => onChange({ meter: text })}
          aria-invalid={issues.has('meter')}
          reads={{ whole: true }}
        />
        {issues.has('meter') && <b className="text-[13px] text-seal-ink">{issues.get('meter')}</b>}
      </label>
    </div>
  )
}
