import type { ReactNode } from 'react'

export interface Fact {
  label: string
  value: ReactNode
  source?: ReactNode
  tone?: string
}

/** A drawing's title block: the name at left, then facts between hairlines. */
export function TitleBlock({
  name,
  under,
  facts,
  action,
}: {
  name: string
  under: ReactNode
  facts: Fact[]
  action?: ReactNode
}) {
  return (
    <header className="flex flex-wrap items-stretch border-b border-hair bg-page px-4 lg:flex-nowrap lg:px-6">
      <div className="flex min-w-0 flex-col justify-center py-2 pr-5">
        <h1 className="page-name m-0 truncate">{name}</h1>
        <p className="narrow m-0 text-[14px] text-second md:truncate">{under}</p>
      </div>
      <dl className="m-0 hidden h-[60px] min-w-0 flex-1 flex-wrap overflow-hidden md:flex">
        {facts.map((fact) => (
          <div
            key={fact.label}
            className="flex h-[60px] flex-col justify-center border-l border-hair px-3 py-2 whitespace-nowrap"
          >
            <dt className="slim text-[13px] text-second">{fact.label}</dt>
            <dd className={`mono m-0 text-[14px] ${fact.tone ?? ''}`}>
              <span className="font-semibold">{fact.value}</span>
              {fact.source && <span className="text-[13px] text-second"> {fact.source}</span>}
            </dd>
          </div>
        ))}
      </dl>
      {action && (
        <div className="ml-auto flex max-w-full min-w-0 flex-wrap items-center justify-end gap-2 py-2 pl-3 lg:flex-nowrap">
          {action}
        </div>
      )}
    </header>
  )
}
