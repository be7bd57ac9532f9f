import { useState } from 'react'
import { kindById } from '../../core/kinds/index.ts'
import { cadenceS } from '../../core/procedures/cadence.ts'
import { doseSaid } from '../../core/procedures/dose.ts'
import type { Procedure } from '../../core/procedures/procedure.ts'
import type { Step } from '../../core/procedures/step.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { takes } from '../run/clock-words.ts'
import { SchoolChoice } from '../run/SchoolChoice.tsx'

/** One procedure to be read: its schools side by side, then the chosen one step by step. */
export function ProcedureView({ procedure }: { procedure: Procedure }) {
  const usual = procedure.schools.find(({ usualFor }) => usualFor.length > 0) ?? procedure.schools[0]!
  const [chosen, setChosen] = useState(usual.id)
  const school = procedure.schools.find(({ id }) => id === chosen)!
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name={procedure.name}
        under={procedure.about}
        facts={[
          { label: 'Schools', value: procedure.schools.length },
          { label: 'Version', value: procedure.version },
        ]}
        action={
          <a href="/procedures" className="plain inline-flex items-center whitespace-nowrap">
            All procedures
          </a>
        }
      />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <p className="m-0 text-[14px]">
          <b>For</b> {procedure.kinds.map((id) => kindById(id)?.name ?? id).join('; ')}.{' '}
          {procedure.needs && <span className="text-second">Where it is missing: {procedure.needs.why}</span>}
        </p>
        <SchoolChoice procedure={procedure} chosen={chosen} usual={null} onChoose={setChosen} />
        <div className="grid gap-x-8 pt-4 lg:grid-cols-[1fr_320px]">
          <div className="min-w-0">
            {school.parts.map((part) => (
              <section key={part.id} aria-label={part.name} className="pb-3">
                <h2 className="head m-0">
                  {part.name}
                  {part.each && <span className="ml-2 text-[14px] font-normal text-second">each group in turn</span>}
                </h2>
                <ol className="m-0 list-none p-0">
                  {part.steps.map((step, i) => (
                    <li key={step.id} className="grid grid-cols-[32px_1fr] border-t border-hair py-1.5">
                      <span className="mono text-second">{i + 1}</span>
                      <div>
                        <b className="font-semibold">{step.say}</b>{' '}
                        <span className="text-[14px]">{actWords(step)}</span>
                        {step.how && <span className="block text-[14px] text-second">{step.how}</span>}
                        {step.normal && <span className="block text-[14px] text-second">Right: {step.normal}</span>}
                        {step.wrong && <span className="block text-[14px] text-second">Else: {step.wrong}</span>}
                        {step.caution && (
                          <span className="block text-[14px] text-brass-ink">Caution: {step.caution.say}</span>
                        )}
                      </div>
                    </li>
                  ))}
                </ol>
              </section>
            ))}
          </div>
          <aside aria-label="At hand">
            <h2 className="head m-0">At hand</h2>
            <ul className="m-0 list-none p-0">
              {[...school.tools, ...school.materials].map(({ name, why }) => (
                <li key={name} className="border-t border-hair py-1.5">
                  {name} {why && <span className="text-[14px] text-second">{why}</span>}
                </li>
              ))}
            </ul>
            {procedure.mustFinish && (
              <>
                <h2 className="head m-0 pt-3">Before it starts</h2>
                <p className="m-0 text-[14px]">{procedure.mustFinish.why}</p>
                <ul className="m-0 list-none p-0">
                  {procedure.mustFinish.first.map((one) => (
                    <li key={one} className="border-t border-hair py-1.5">
                      {one}
                    </li>
                  ))}
                </ul>
              </>
            )}
          </aside>
        </div>
      </div>
    </div>
  )
}

/** What a step asks, in half a line. */
function actWords(step: Step): string {
  switch (step.act) {
    case 'dose':
      return `${doseSaid(step.dose)}, into ${step.into}`
    case 'cadence':
      return `${step.onS} s on, ${step.offS} s off, ${step.times} ×${step.firstOffS ? `, ${step.firstOffS} s after the first` : ''}: ${takes(cadenceS(step))}`
    case 'soak':
      return `${takes(step.seconds)}, by itself`
    case 'wait':
      return `until ${step.until}, about ${takes(step.aboutS)}`
    case 'measure':
      return step.from === undefined ? step.unit : `${step.from} to ${step.to} ${step.unit}`
    case 'check':
      return step.answers.map(({ words }) => words.toLowerCase()).join(' / ')
    case 'hold':
      return `${step.keys.join(' and ')}, ${step.seconds} s`
    case 'press':
      return `${step.key} ${step.times} × within ${step.withinS} s`
    case 'window':
      return `within ${step.withinS} s`
    default:
      return ''
  }
}
