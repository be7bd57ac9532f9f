import { useState } from 'react'
import { ownThing } from '../../core/strip-down/sheet-record.ts'
import { type Drive, drives, type Thing } from '../../core/strip-down/thing.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import { NumberInput } from '../../ui/NumberInput.tsx'

interface Props {
  onOff: (thing: Thing) => void
  onClose: () => void
}

const screwsRead = { whole: true, to: 99 }

/** Something nobody listed comes off: named in a few taps. */
export function ThingForm({ onOff, onClose }: Props) {
  const [name, setName] = useState('')
  const [where, setWhere] = useState('')
  const [way, setWay] = useState('')
  const [mark, setMark] = useState('')
  const [drive, setDrive] = useState<Drive>('cross-head')
  const [size, setSize] = useState('')
  const [count, setCount] = useState('0')
  const [sort, setSort] = useState('')
  const text = (label: string, value: string, set: (text: string) => void, wide = false, required = false) => (
    <label className={`flex flex-col gap-0.5 ${wide ? 'min-w-[220px] flex-1' : ''}`}>
      <span className="slim text-[15px]">{label}</span>
      <input
        className="field h-[64px] text-[18px]"
        maxLength={80}
        required={required}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
    </label>
  )
  return (
    <form
      className="flex flex-wrap items-end gap-3 border-t border-hair bg-enamel px-4 py-3 lg:px-6"
      aria-label="Something comes off"
      onSubmit={(event) => {
        event.preventDefault()
        const screws = numberIn(count, screwsRead) ?? 0
        onOff(
          ownThing(name.trim(), where.trim(), {
            ...(way.trim() && { way: way.trim() }),
            ...(mark.trim() && { mark: mark.trim() }),
            fasteners: [
              {
                drive,
                count: screws,
                ...(size.trim() && { size: size.trim() }),
                ...(sort.trim() && { kind: sort.trim() }),
              },
            ],
          }),
        )
      }}
    >
      {text('What', name, setName, true, true)}
      {text('From where', where, setWhere, true)}
      {text('Which way round', way, setWay, true)}
      {text('Its mark', mark, setMark, true)}
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[15px]">Drive</span>
        <select
          className="field h-[64px] text-[18px]"
          value={drive}
          onChange={(event) => setDrive(event.target.value as Drive)}
        >
          {drives.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      </label>
      {text('Size', size, setSize)}
      <label className="flex flex-col gap-0.5">
        <span className="slim text-[15px]">Screws, clips</span>
        <NumberInput
          className="field mono h-[64px] w-[96px] text-right text-[20px]"
          text={count}
          onText={setCount}
          reads={screwsRead}
        />
      </label>
      {text('Colour, length', sort, setSort)}
      <button type="submit" className="act min-h-[64px] text-[19px]">
        It is off
      </button>
      <button type="button" className="plain min-h-[64px]" onClick={onClose}>
        Not this
      </button>
    </form>
  )
}
