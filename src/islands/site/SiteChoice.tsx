import { useState } from 'react'
import type { RecordPage } from '../../views/record-page.ts'
import { useFetched } from '../use-fetched.ts'

interface Props {
  label: string
  chosen: string
  onChoose: (siteId: string) => void
  /** Where it stands now, said beside that site. */
  here?: string
}

/** More than these are found by typing. */
const mostShown = 30

/** One site of many, found by typing its name. */
export function SiteChoice({ label, chosen, onChoose, here }: Props) {
  const [text, setText] = useState('')
  const [sites, setSites] = useState<{ id: string; name: string; area: string }[]>([])
  useFetched<RecordPage<'site'>>(`/api/records/site?text=${encodeURIComponent(text)}`, (page) =>
    setSites(page.rows.slice(0, mostShown)),
  )
  return (
    <>
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[14px]">{label}</span>
        <input
          className="field"
          value={text}
          placeholder="Type a name"
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <fieldset className="m-0 mt-2 mb-3 max-h-[180px] overflow-auto border-0 p-0">
        <legend className="sr-only">Site</legend>
        {sites.map((site) => (
          <label key={site.id} className="flex min-h-[44px] items-center gap-2 border-t border-hair">
            <input type="radio" name="site" checked={chosen === site.id} onChange={() => onChoose(site.id)} />
            {site.name}{' '}
            <span className="text-[14px] text-second">{site.id === here ? 'it stands here' : site.area}</span>
          </label>
        ))}
      </fieldset>
    </>
  )
}
