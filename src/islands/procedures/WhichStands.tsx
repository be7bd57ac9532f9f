import { useState } from 'react'
import { dayLong } from '../../ui/format.ts'
import type { ProcedurePage } from '../../views/procedure-page.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'

/** Which version the firm works by, the versions that were kept, and the way in and out of use. */
export function WhichStands({ page, today }: { page: ProcedurePage; today: string }) {
  const { procedure, versions, standsIn, inUse } = page
  const [id] = useState(newId)
  const [says, setSays] = useState('')
  const newest = versions[0]?.version
  const old = newest !== undefined && procedure.version !== newest
  const write = async () => {
    setSays('Saving …')
    const told = await writeFrom([
      makeEntry('firm', page.firmId, 'own-procedure', { procedure, inUse: !inUse }, today, { id }),
    ])
    if (told.ok) return location.reload()
    setSays(told.issues[0]!.message)
  }
  if (!procedure.basedOn)
    return page.copies.length === 0 ? null : (
      <p className="m-0 flex flex-wrap items-center gap-x-3 border-b border-hair bg-enamel px-4 py-2 lg:px-6">
        <span>
          {standsIn ? 'In its place the firm works by' : 'The firm works by this one. Its own copy, out of use:'}
        </span>
        {page.copies.map((copy) => (
          <a key={copy.id} className="word inline-flex min-h-[44px] items-center" href={`/procedures/${copy.id}`}>
            {copy.name}
          </a>
        ))}
      </p>
    )
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-hair bg-enamel px-4 py-2 lg:px-6">
      <p className="m-0" role="status">
        {old ? (
          <>
            <b>Version {procedure.version}, as it was.</b> A run that began by it keeps it.{' '}
            <a className="word" href={`/procedures/${procedure.id}`}>
              The newest
            </a>
          </>
        ) : inUse ? (
          <b>The firm works by this one, in place of the one it was copied from.</b>
        ) : (
          <b>Out of use: the firm works by {standsIn ? standsIn.name.toLowerCase() : 'another'}.</b>
        )}{' '}
        <a className="word" href={`/procedures/${procedure.basedOn}`}>
          The one it was copied from
        </a>
      </p>
      {!old && (
        <button type="button" className="plain" onClick={write}>
          {inUse ? 'Take it out of use' : 'Work by it'}
        </button>
      )}
      {versions.length > 1 && (
        <details className="text-[14px]">
          <summary className="flex min-h-[44px] cursor-pointer items-center font-semibold text-copper">
            {versions.length} kept
          </summary>
          <ul className="m-0 list-none p-0 pb-1">
            {versions.map((one) => (
              <li key={one.version}>
                <a
                  className="inline-flex min-h-[44px] items-center hover:underline"
                  href={`/procedures/${procedure.id}?version=${one.version}`}
                >
                  Version {one.version}, {dayLong(one.on)}
                  {one.by && `, ${one.by}`}
                </a>
              </li>
            ))}
          </ul>
        </details>
      )}
      {says && (
        <span role="alert" className="text-seal-ink">
          {says}
        </span>
      )}
    </div>
  )
}
