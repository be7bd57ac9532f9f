import { useMemo } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import { materialFitted } from '../../core/standing/fitted-material.ts'
import { effective } from '../../core/standing/histories.ts'
import { fittedSize } from '../../core/standing/last-done.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { gradeWordsOf } from '../../core/wear/grade-words.ts'
import { later } from '../../ui/later.tsx'
import { Seal } from '../../ui/Seal.tsx'
import { lasts, urgencyOf, urgencyText } from '../../ui/urgency.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { cautionWords } from '../caution-words.ts'
import { governs } from '../standing-words.ts'
import type { Draft, PartDraft } from './draft.ts'

const PartPapers = later(() => import('../machine/papers/PartPapers.tsx').then((module) => module.PartPapers))
const PartFitted = later(() => import('./PartFitted.tsx').then((module) => module.PartFitted))

interface Props {
  draft: Draft
  onChange: (part: Partial<Draft>) => void
  standings: Standing[]
  kind: Kind
  bundle: MachineBundle
  today: string
}

const shownFirst = 3

/** Parts changed or looked at: the one that came out gets a grade, 0 as new to 4 failed. */
export function PartsSeen({ draft, onChange, standings, kind, bundle, today }: Props) {
  const parts = useMemo(() => standings.filter((standing) => standing.action === 'replace'), [standings])
  const keyOf = (standing: Standing) =>
    standing.index === undefined ? standing.part! : `${standing.part}@${standing.index}`
  const visible = parts.filter((part, i) => i < shownFirst || draft.parts[keyOf(part)])
  const rest = parts.filter((part) => !visible.includes(part))
  const set = (key: string, part: PartDraft | null) => {
    const { [key]: _, ...others } = draft.parts
    onChange({ parts: part ? { ...others, [key]: part } : others })
  }
  const histories = useMemo(() => effective(bundle.ledgers), [bundle])
  /** Changed for the same size, until somebody says another. */
  const changed = (standing: Standing, part?: PartDraft): PartDraft => {
    const size = fittedSize(histories, standing.part!, standing.index)
    return { ...(size && { size }), ...part, changed: true }
  }
  return (
    <div className="pt-1">
      {visible.map((standing) => {
        const key = keyOf(standing)
        const part = draft.parts[key]
        const name = `${standing.name}${standing.instance ? `, ${standing.instance}` : ''}`
        return (
          <div
            key={key}
            className="grid items-center gap-x-4 gap-y-1 border-t border-hair py-1.5 lg:grid-cols-[minmax(150px,1fr)_auto_auto]"
          >
            <div className="min-w-0">
              <div className="narrow font-semibold">{name}</div>
              <div className="narrow text-[13px] text-second">
                {governs(standing, today)} ·{' '}
                <span className={urgencyText[urgencyOf(standing.due, today)]}>
                  {lasts(standing.due, today, standing.unseen)}
                </span>
              </div>
            </div>
            <fieldset className="m-0 flex border-0 p-0" aria-label={`${name}: condition`}>
              {gradeWordsOf(standing.part!).map((word, grade) => {
                const on = part?.condition === grade
                return (
                  <label
                    key={word}
                    className={`flex min-h-[44px] w-[64px] cursor-pointer flex-col items-center justify-start border-2 py-0.5 md:w-[70px] ${on ? 'border-copper bg-copper-tint' : 'border-transparent text-second'} has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper`}
                  >
                    <input
                      type="radio"
                      className="sr-only"
                      name={`condition-${key}`}
                      checked={on}
                      onClick={() => on && set(key, part?.changed ? { ...part, condition: undefined } : null)}
                      onChange={() => set(key, { changed: false, ...part, condition: grade })}
                    />
                    <Seal grade={grade} size={26} />
                    <span className="slim text-center text-[12px] leading-tight">
                      <span className="mono">{grade}</span> {word}
                    </span>
                  </label>
                )
              })}
            </fieldset>
            <label className="flex min-h-[44px] cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                className="h-[18px] w-[18px] accent-[var(--deep)]"
                checked={part?.changed ?? false}
                onChange={(event) =>
                  set(
                    key,
                    event.target.checked
                      ? changed(standing, part)
                      : part?.condition === undefined
                        ? null
                        : { condition: part.condition, changed: false },
                  )
                }
              />
              changed
            </label>
            {part?.changed && (
              <PartFitted
                name={name}
                part={kind.parts.find(({ id }) => id === standing.part)}
                variantBefore={materialFitted(kind, histories, standing.part!, standing.index).material ?? null}
                draft={part}
                onChange={(next) => set(key, next)}
              />
            )}
            {part?.changed && (
              <div className="lg:col-span-3">
                <PartPapers bundle={bundle} kind={kind} part={standing.part!} group={standing.index} today={today} />
              </div>
            )}
            {part?.changed && standing.caution && (
              <p className="m-0 border-l-4 border-brass pl-3 text-[13px] lg:col-span-3">
                {cautionWords[standing.caution]}
              </p>
            )}
          </div>
        )
      })}
      {rest.length > 0 && (
        <select
          className="field mt-1"
          aria-label="Another part"
          value=""
          onChange={(event) => {
            const standing = rest.find((one) => keyOf(one) === event.target.value)
            if (standing) set(event.target.value, changed(standing))
          }}
        >
          <option value="">another part …</option>
          {rest.map((standing) => (
            <option key={standing.key} value={keyOf(standing)}>
              {standing.name}
              {standing.instance ? `, ${standing.instance}` : ''}
            </option>
          ))}
        </select>
      )}
    </div>
  )
}
