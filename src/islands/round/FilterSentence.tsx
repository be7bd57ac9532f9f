import type { RoundChoices } from '../../views/round-page.ts'
import { countWords } from './count-words.ts'

export interface RoundFilter {
  horizon: string
  siteId?: string
  kind?: string
  technicianId?: string
  text?: string
  /** What of is shown together; by date where it is left out. */
  gather?: string
}

interface Props {
  filter: RoundFilter
  choices: RoundChoices
  matching: number
  all: number
  onChange: (filter: RoundFilter) => void
}

export const gatherWords: [string, string][] = [
  ['', 'by date'],
  ['site', 'by site'],
  ['machine', 'by machine'],
  ['visit', 'by visit'],
]

const horizonWords: [string, string][] = [
  ['fortnight', 'within a fortnight'],
  ['month', 'within a month'],
  ['quarter', 'within a quarter'],
  ['year', 'within a year'],
  ['all', 'at any time'],
]

/** "16 of 41 due within a quarter at any site …": the underlined words change it. */
export function FilterSentence({ filter, choices, matching, all, onChange }: Props) {
  const change = (field: keyof RoundFilter) => (value: string) => onChange({ ...filter, [field]: value || undefined })
  return (
    <div className="flex flex-wrap items-center gap-x-1.5 gap-y-1 pb-1 text-[15px] text-second">
      <span>
        <span className="mono text-ink">{countWords(matching)}</span> of{' '}
        <span className="mono text-ink">{countWords(all)}</span> due
      </span>
      <Word label="When" value={filter.horizon} options={horizonWords} onChange={change('horizon')} />
      at
      <Word
        label="Site"
        value={filter.siteId ?? ''}
        options={[['', 'any site'], ...choices.sites.map(({ id, name }): [string, string] => [id, name])]}
        onChange={change('siteId')}
      />
      on
      <Word
        label="Kind of machine"
        value={filter.kind ?? ''}
        options={[['', 'any kind of machine'], ...choices.kinds.map(({ id, name }): [string, string] => [id, name])]}
        onChange={change('kind')}
      />
      for
      <span className="inline-flex items-center">
        <Word
          label="Technician"
          value={filter.technicianId ?? ''}
          options={[
            ['', 'anyone'],
            ...choices.technicians.map(({ id, name }): [string, string] => [id, name.split(' ')[0]!]),
          ]}
          onChange={change('technicianId')}
        />
        ,
      </span>
      <Word label="Gathered" value={filter.gather ?? ''} options={gatherWords} onChange={change('gather')} />
      <a
        className="ml-3 inline-flex min-h-[36px] items-center font-semibold whitespace-nowrap text-copper max-md:ml-0 max-md:min-h-[44px]"
        href={`/round/sites${filter.horizon === 'all' ? '' : `?horizon=${filter.horizon}`}`}
      >
        Where to go first
      </a>
      <input
        className="field ml-auto min-h-[36px] w-[150px] text-[14px] max-md:ml-0 max-md:min-h-[44px] max-md:w-full"
        placeholder="Type to find"
        aria-label="Find in what is due"
        value={filter.text ?? ''}
        onChange={(event) => change('text')(event.target.value)}
      />
    </div>
  )
}

interface WordProps {
  label: string
  value: string
  options: [string, string][]
  onChange: (value: string) => void
}

/** A word of the sentence that opens its alternatives; as wide as what it says. */
function Word({ label, value, options, onChange }: WordProps) {
  const said = options.find(([id]) => id === value)?.[1] ?? options[0]![1]
  return (
    <span className="relative inline-flex min-h-[36px] items-center max-md:min-h-[44px]">
      <span aria-hidden="true" className="word">
        {said}
      </span>
      <select
        data-filter-word
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="absolute inset-0 w-full cursor-pointer opacity-0 focus-visible:opacity-100"
      >
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
    </span>
  )
}
