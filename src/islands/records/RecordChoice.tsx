import { useId, useState } from 'react'
import { useFetched } from '../use-fetched.ts'

interface Props {
  kind: 'site' | 'customer' | 'machine'
  label: string
  chosen: string
  onChoose: (id: string, name: string, row: Row) => void
  /** Where it is now, said beside that one. */
  here?: { id: string; words: string }
}

interface Row {
  id: string
  name: string
  area?: string
  siteName?: string
  /** Of a machine: where it stands now, and behind what. */
  siteId?: string
  softenerId?: string | null
}

const legends = { site: 'Site', customer: 'Customer', machine: 'Machine' }

/** More than these are found by typing. */
const mostShown = 30

/** One site, customer or machine of many, found by typing its name. */
export function RecordChoice({ kind, label, chosen, onChoose, here }: Props) {
  const [text, setText] = useState('')
  const [rows, setRows] = useState<Row[]>([])
  const group = useId()
  const from = kind === 'machine' ? '/api/machines' : `/api/records/${kind}`
  useFetched<{ rows: Row[] }>(`${from}?text=${encodeURIComponent(text)}`, (page) =>
    setRows(page.rows.slice(0, mostShown)),
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
        <legend className="sr-only">{legends[kind]}</legend>
        {rows.map((row) => (
          <label key={row.id} className="flex min-h-[44px] items-center gap-2 border-t border-hair">
            <input
              type="radio"
              name={group}
              checked={chosen === row.id}
              onChange={() => onChoose(row.id, row.name, row)}
            />
            {row.name}{' '}
            <span className="text-[14px] text-second">
              {row.id === here?.id ? here.words : (row.siteName ?? row.area ?? '')}
            </span>
          </label>
        ))}
      </fieldset>
    </>
  )
}
