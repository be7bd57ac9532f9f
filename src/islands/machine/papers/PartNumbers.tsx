import { useMemo, useState } from 'react'
import type { Kind } from '../../../core/kinds/kind.ts'
import { serialWords } from '../../../core/ledger/settings/papers.ts'
import type { MachineBundle } from '../../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import { newId } from '../../new-id.ts'
import { typedText } from '../../records/form-values.ts'
import { SheetForm } from '../../records/SheetForm.tsx'
import { numbersHere } from './numbers-here.ts'

interface Props {
  bundle: MachineBundle
  kind: Kind
  today: string
  /** Of this part alone. */
  part?: string
  onSaved: () => Promise<void>
}

/** The maker's numbers of parts, for every machine of this model; which of them is this one's, by its serial number. */
export function PartNumbers({ bundle, kind, today, part, onSaved }: Props) {
  const { machine, firmId } = bundle
  const [adding, setAdding] = useState(false)
  const [wrong, setWrong] = useState('')
  const [newOne, setNewOne] = useState(newId)
  const numbers = useMemo(() => numbersHere(bundle, part), [bundle, part])
  const model = [machine.maker, machine.model].filter(Boolean).join(' ')
  const takeOut = async (id: string) => {
    const told = await writeFrom([makeEntry('firm', firmId, 'withdrawn', {}, today, { supersedes: id })])
    if (!told.ok) return setWrong(told.issues[0]!.message)
    await onSaved()
  }
  return (
    <section aria-label="Maker's numbers">
      <h3 className="head m-0">Maker's numbers{model && `, ${model}`}</h3>
      {numbers.length === 0 && (
        <p className="m-0 text-second">
          {machine.model ? 'None kept for this model.' : 'Say the model first: numbers are kept by model.'}
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {numbers.map(({ id, number, fits }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3 border-t border-hair">
            <span className="min-w-0 flex-1 py-1">
              {kind.parts.find((one) => one.id === number.part)?.name ?? number.part}{' '}
              <b className={`mono ${fits === false ? 'font-normal text-second' : ''}`}>{number.number}</b>
              <span className="text-[14px] text-second">
                {serialWords(number)}
                {fits === false && ': not this machine'}
                {fits === null && ': compare by hand, this serial is of another make-up'}
                {number.note && `. ${number.note}`}
              </span>
            </span>
            <button
              type="button"
              className="word min-h-[44px]"
              aria-label={`Take out ${number.number}`}
              onClick={() => void takeOut(id)}
            >
              Take out
            </button>
          </li>
        ))}
      </ul>
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      {machine.model && !adding && (
        <button type="button" className="word min-h-[44px]" onClick={() => setAdding(true)}>
          Add a number
        </button>
      )}
      {adding && (
        <SheetForm
          fields={[
            ...(part
              ? []
              : [
                  {
                    id: 'part',
                    label: 'Part',
                    kind: 'choice' as const,
                    half: true,
                    options: kind.parts.map(({ id, name }): [string, string] => [id, name]),
                  },
                ]),
            { id: 'number', label: 'Number', half: true, paths: ['body.number'] },
            { id: 'serialFrom', label: 'From serial', hint: 'empty: from the first', half: true },
            { id: 'serialTo', label: 'To serial', hint: 'empty: to the last', half: true },
            { id: 'note', label: 'Note', hint: 'supplier, what it replaces', paths: ['body.note'] },
          ]}
          values={{ part: part ?? kind.parts[0]?.id ?? '', number: '', serialFrom: '', serialTo: '', note: '' }}
          save="Keep it"
          onCancel={() => setAdding(false)}
          onSave={async (values) => {
            const given = Object.fromEntries(
              ['serialFrom', 'serialTo', 'note'].flatMap((field) => {
                const text = typedText(values, field)
                return text ? [[field, text]] : []
              }),
            )
            const body = {
              setting: 'part-number' as const,
              ...(machine.maker && { maker: machine.maker }),
              model: machine.model,
              part: part ?? typedText(values, 'part'),
              number: typedText(values, 'number'),
              ...given,
            }
            const told = await writeFrom([makeEntry('firm', firmId, 'setting', body, today, { id: newOne })])
            if (!told.ok) return told
            setNewOne(newId())
            await onSaved()
            setAdding(false)
            return told
          }}
        />
      )}
    </section>
  )
}
