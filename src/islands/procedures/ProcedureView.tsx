import { useState } from 'react'
import { kindById } from '../../core/kinds/index.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import type { ProcedurePage } from '../../views/procedure-page.ts'
import { island } from '../island.tsx'
import { WayChoice } from '../run/WayChoice.tsx'
import { actWords } from './act-words.ts'
import { WhichStands } from './WhichStands.tsx'

/** One procedure to be read: its ways side by side, then the chosen one step by step. */
function ProcedureView({ page, today }: { page: ProcedurePage; today: string }) {
  const { procedure } = page
  const usual = procedure.ways.find(({ usualFor }) => usualFor.length > 0) ?? procedure.ways[0]!
  const [chosen, setChosen] = useState(usual.id)
  const way = procedure.ways.find(({ id }) => id === chosen)!
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock
        name={procedure.name}
        under={procedure.about}
        facts={[
          { label: 'Ways', value: procedure.ways.length },
          { label: 'Version', value: procedure.version },
        ]}
        action={
          <>
            <a
              className="plain inline-flex items-center whitespace-nowrap"
              href={`/api/procedures/${procedure.id}.json?version=${procedure.version}`}
              download
            >
              As a file
            </a>
            <a className="act inline-flex items-center whitespace-nowrap" href={`/procedures/${procedure.id}/edit`}>
              {procedure.basedOn ? 'Change it' : 'Make it our own'}
            </a>
          </>
        }
      />
      <WhichStands page={page} today={today} />
      <div className="flex-1 bg-enamel px-4 py-3 lg:px-6">
        <p className="m-0 text-[14px]">
          <b>For</b> {procedure.kinds.map((id) => kindById(id)?.name ?? id).join('; ')}.{' '}
          {procedure.needs && <span className="text-second">Where it is missing: {procedure.needs.why}</span>}
        </p>
        <WayChoice procedure={procedure} chosen={chosen} usual={null} onChoose={setChosen} />
        <div className="grid gap-x-8 pt-4 lg:grid-cols-[1fr_320px]">
          <div className="min-w-0">
            {way.parts.map((part) => (
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
              {[...way.tools, ...way.materials].map(({ name, why }) => (
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

export const ProcedureViewIsland = island(ProcedureView)
