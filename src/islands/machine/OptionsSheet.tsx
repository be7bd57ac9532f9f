import { useState } from 'react'
import type { Option } from '../../core/kinds/kind.ts'
import { effective } from '../../core/standing/histories.ts'
import { optionsSaid } from '../../core/standing/machine-kind.ts'
import { kindHere } from '../../core/standing/own-kinds.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'

interface Props {
  bundle: MachineBundle
  today: string
  onClose: () => void
  onSaved: () => Promise<void>
}

/** What this machine has of all that only some of its kind have, each with how to tell. */
export function OptionsSheet({ bundle, today, onClose, onSaved }: Props) {
  const histories = effective(bundle.ledgers)
  const kind = kindHere(histories, bundle.machine.kind)
  const said = optionsSaid(histories)
  const [chosen, setChosen] = useState(() => new Map(said))
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const [ids] = useState(() => new Map(kind?.options.map(({ id }) => [id, newId()])))
  const save = async () => {
    const changed = [...chosen].filter(([option, fitted]) => said.get(option) !== fitted)
    if (changed.length === 0) return onClose()
    setBusy(true)
    const told = await writeFrom(
      changed.map(([option, fitted]) =>
        makeEntry('machine', bundle.machine.id, 'setting', { setting: 'option', option, fitted }, today, {
          id: ids.get(option)!,
        }),
      ),
    )
    setBusy(false)
    if (!told.ok) return setWrong(told.issues[0]!.message)
    await onSaved()
    onClose()
  }
  return (
    <Sheet
      open
      onOpenChange={(open) => !open && onClose()}
      title="What it has"
      about="Machines of one kind differ. What is not here is neither drawn nor dated."
    >
      {(kind?.options ?? []).map((option) => (
        <Choice
          key={option.id}
          option={option}
          said={chosen.get(option.id)}
          onChoose={(fitted) => setChosen((now) => new Map(now).set(option.id, fitted))}
        />
      ))}
      {wrong && (
        <p role="alert" className="m-0 pt-2 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
      <div className="flex gap-3 pt-4">
        <button type="button" className="act" disabled={busy} onClick={save}>
          Save
        </button>
        <button type="button" className="plain" onClick={onClose}>
          Leave as it is
        </button>
      </div>
    </Sheet>
  )
}

function Choice({
  option,
  said,
  onChoose,
}: {
  option: Option
  said: boolean | undefined
  onChoose: (fitted: boolean) => void
}) {
  const fitted = said ?? option.standard
  return (
    <fieldset className="m-0 border-0 border-t border-solid border-hair p-0 py-3">
      <legend className="sr-only">{option.name}</legend>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <b className="min-w-[200px] flex-1" aria-hidden="true">
          {option.name}
        </b>
        {[true, false].map((yes) => (
          <label key={String(yes)} className="flex min-h-[44px] items-center gap-2">
            <input type="radio" name={option.id} checked={fitted === yes} onChange={() => onChoose(yes)} />
            {yes ? 'has it' : 'has it not'}
            {said === undefined && option.standard === yes && <span className="text-second">, as most</span>}
          </label>
        ))}
      </div>
      <details>
        <summary className="min-h-[32px] cursor-pointer text-[14px] font-semibold text-copper">How to tell</summary>
        <ol className="m-0 list-none p-0 text-[14px]">
          {option.howToTell.map(({ look, means }) => (
            <li key={look} className="flex flex-wrap items-center gap-3 border-t border-hair py-1">
              <span className="min-w-[220px] flex-1">{look}</span>
              <button
                type="button"
                className="min-h-[44px] font-semibold text-copper"
                onClick={() => onChoose(means === 'fitted')}
              >
                So it is: {means === 'fitted' ? 'has it' : 'has it not'}
              </button>
            </li>
          ))}
        </ol>
      </details>
    </fieldset>
  )
}
