import { useState } from 'react'
import { canMove, movedStation, stationHeld, withoutStation, withStation } from '../../core/kinds/change-kind.ts'
import { type Kind, type PathLine, type StationSymbol, takesOneStation } from '../../core/kinds/kind.ts'
import { symbolNames } from '../../core/kinds/kind-words.ts'
import { counted } from '../../ui/format.ts'

interface Props {
  kind: Kind
  /** A name, letter by letter. */
  onType: (kind: Kind) => void
  onChange: (kind: Kind) => void
}

/** The field of a station's name, found from the drawing. */
export const stationField = (id: string): string => `station-${id}`

/** The path station by station, in the order the water meets them: named, moved, left out, added. */
export function PathEditor({ kind, onType, onChange }: Props) {
  return (
    <div className="flex flex-col gap-4">
      {kind.lines.map((line) => (
        <Line key={line.id} line={line} kind={kind} onType={onType} onChange={onChange} />
      ))}
    </div>
  )
}

function Line({ line, kind, onType, onChange }: Props & { line: PathLine }) {
  const [name, setName] = useState('')
  const [symbol, setSymbol] = useState<StationSymbol>('valve')
  const title = line.lane === 0 ? 'From supply to cup' : (line.label ?? line.medium)
  const hanging = (id: string) =>
    new Set([...kind.parts, ...kind.tasks].filter(({ station }) => station === id).map((row) => row.id)).size
  const rename = (id: string, words: string) =>
    onType({
      ...kind,
      stations: kind.stations.map((station) => (station.id === id ? { ...station, name: words } : station)),
    })
  return (
    <section aria-label={title}>
      <h3 className="head m-0 text-[16px]">{`${title[0]!.toUpperCase()}${title.slice(1)}`}</h3>
      <ol className="m-0 list-none p-0">
        {line.stations.map((id, i) => {
          const station = kind.stations.find((one) => one.id === id)!
          const held = stationHeld(kind, id)
          return (
            <li key={id} className="flex flex-wrap items-center gap-x-2 border-t border-hair py-0.5 text-[14px]">
              <input
                className="field min-w-0 flex-1 basis-[150px] md:max-w-[300px]"
                id={stationField(id)}
                aria-label={`${title}, station ${i + 1}`}
                value={station.name}
                onChange={(event) => rename(id, event.target.value)}
              />
              <span className="flex">
                <Arrow
                  label={`${station.name} earlier`}
                  words="↑"
                  disabled={!canMove(kind, id, -1)}
                  onClick={() => onChange(movedStation(kind, id, -1))}
                />
                <Arrow
                  label={`${station.name} later`}
                  words="↓"
                  disabled={!canMove(kind, id, 1)}
                  onClick={() => onChange(movedStation(kind, id, 1))}
                />
              </span>
              <span className="text-[13px] text-second md:flex-1">
                {held ??
                  (hanging(id) > 0
                    ? `with ${counted(hanging(id), 'part or task', 'parts and tasks')}`
                    : 'drawn without its name: nothing to do there')}
              </span>
              <button
                type="button"
                className="min-h-[44px] px-1 text-[13px] font-semibold text-copper disabled:text-second"
                aria-label={`Leave out ${station.name}`}
                disabled={held !== null}
                onClick={() => onChange(withoutStation(kind, id))}
              >
                leave out
              </button>
            </li>
          )
        })}
      </ol>
      {!takesOneStation(line) && (
        <form
          className="flex flex-wrap items-end gap-2 border-t border-hair py-1.5"
          onSubmit={(event) => {
            event.preventDefault()
            if (!name.trim()) return
            onChange(withStation(kind, line.id, { name: name.trim(), symbol }))
            setName('')
          }}
        >
          <label className="flex flex-col gap-0.5">
            <span className="slim text-[13px]">A station more</span>
            <input
              className="field w-[150px]"
              required
              maxLength={40}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <label className="flex flex-col gap-0.5">
            <span className="slim text-[13px]">Drawn as</span>
            <select
              className="field"
              value={symbol}
              onChange={(event) => setSymbol(event.target.value as StationSymbol)}
            >
              {symbolNames
                .filter((one) => one !== 'cup')
                .map((one) => (
                  <option key={one} value={one}>
                    {one.replaceAll('-', ' ')}
                  </option>
                ))}
            </select>
          </label>
          <button type="submit" className="plain">
            Add it
          </button>
        </form>
      )}
    </section>
  )
}

interface ArrowProps {
  label: string
  words: string
  disabled: boolean
  onClick: () => void
}

function Arrow({ label, words, disabled, onClick }: ArrowProps) {
  return (
    <button
      type="button"
      className="min-h-[44px] w-[36px] text-[18px] text-copper disabled:text-hair"
      aria-label={label}
      disabled={disabled}
      onClick={onClick}
    >
      {words}
    </button>
  )
}
