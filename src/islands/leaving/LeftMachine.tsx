import { useMemo } from 'react'
import type { DoneLine } from '../../core/close-out/done-lines.ts'
import type { InTheWay } from '../../core/close-out/in-the-way.ts'
import type { LeftSubject } from '../../core/close-out/left-subjects.ts'
import { upper } from '../../core/ledger/phrases.ts'
import { entryWords } from '../../ui/entry-words.ts'
import { figure } from '../../ui/format.ts'
import { foundLeftWords } from '../../ui/found-left-words.ts'
import { quantity } from '../../ui/quantity.ts'
import { EntryPhotos } from '../EntryPhotos.tsx'
import { FoundLeftRule } from './FoundLeftRule.tsx'
import { MinutesField } from './MinutesField.tsx'
import { WayRow } from './WayRow.tsx'
import { WorkedPath } from './WorkedPath.tsx'
import { workedAt } from './worked-layout.ts'

interface Props {
  n: number
  subject: LeftSubject
  /** Letters of what is missing here, by its key. */
  letters: Map<string, string>
  missing: InTheWay[]
  open: boolean
  onOpen: () => void
  onMinutes: ((minutes: number | null) => void) | null
  way: {
    said: (way: InTheWay) => string
    /** Null where the visit is closed. */
    onSay: ((way: InTheWay, words: string) => void) | null
  }
}

/** One machine of a visit as it is left: its path with what was worked on, its lines, and what is missing there. */
export function LeftMachine({ n, subject, letters, missing, open, onOpen, onMinutes, way }: Props) {
  const { lines, rest, machineKind } = subject
  const without = useMemo(() => new Set(subject.softened ? [] : ['softener']), [subject.softened])
  const worked = useMemo(() => workedAt(subject), [subject])
  const isClear = missing.length === 0
  return (
    <section
      aria-label={subject.name}
      className="grid border-b border-hair lg:grid-cols-[52px_minmax(0,350px)_minmax(0,1fr)]"
    >
      <div className="relative hidden lg:block" aria-hidden>
        <span className="absolute inset-y-0 left-[22px] w-[9px] border-x-2 border-deep bg-tint" />
        <Stop n={n} isClear={isClear} />
      </div>
      <div className="px-4 py-2 lg:px-0">
        <button
          type="button"
          aria-expanded={open}
          className="flex min-h-[44px] w-full items-center gap-3 text-left lg:hidden"
          onClick={onOpen}
        >
          <Stop n={n} isClear={isClear} inline />
          <span className="min-w-0 flex-1">
            <b className="text-[17px]">{subject.name}</b>{' '}
            <span className="text-[14px] text-second">
              {lines.length + rest.length} {lines.length + rest.length === 1 ? 'line' : 'lines'}
            </span>
          </span>
          {subject.kind === 'machine' && (
            <span className="mono text-[14px] text-second">{figure(subject.minutes)} min</span>
          )}
          <span aria-hidden className="text-second">
            {open ? '▴' : '▾'}
          </span>
        </button>
        <div className={open ? '' : 'max-lg:hidden'}>
          <div className="hidden items-baseline gap-2 lg:flex">
            <h2 className="m-0 text-[16px] font-[640]">
              <a className="word" href={`/${subject.kind}s/${subject.id}`}>
                {subject.name}
              </a>
            </h2>
            <span className="narrow text-[14px] text-second">{subject.model}</span>
          </div>
          <div className="flex items-center gap-3">
            <span className="mono text-[13.5px] text-second">
              {subject.counter
                ? `${figure(subject.counter.count)} ${subject.counter.unit}`
                : subject.kind === 'machine' && subject.ways.some(({ what }) => what === 'counter')
                  ? 'counter not read'
                  : ''}
            </span>
            {subject.kind === 'machine' && (
              <span className="ml-auto">
                <MinutesField name={`Minutes at ${subject.name}`} minutes={subject.minutes} onChange={onMinutes} />
              </span>
            )}
          </div>
          {machineKind && worked.size > 0 && (
            <div className="pt-1">
              <WorkedPath kind={machineKind} without={without} worked={worked} />
            </div>
          )}
        </div>
      </div>
      <ol className={`m-0 list-none px-4 pb-2 lg:px-4 lg:py-2 ${open ? '' : 'max-lg:hidden'}`}>
        {lines.map((line, i) => (
          <LineRow key={line.key} n={i + 1} line={line} />
        ))}
        {rest.map((entry, i) => (
          <li key={entry.id} className="flex gap-2 py-0.5 text-[14.5px]">
            <LineNumber n={lines.length + i + 1} isOpen={false} />
            <span className="min-w-0 flex-1">
              {entryWords(entry, machineKind)}
              <EntryPhotos entry={entry} />
            </span>
          </li>
        ))}
        {subject.ways.map((one) => (
          <WayRow
            key={one.key}
            way={one}
            letter={letters.get(one.key) ?? null}
            said={way.said(one)}
            onSay={way.onSay && ((words) => way.onSay?.(one, words))}
          />
        ))}
      </ol>
    </section>
  )
}

function LineRow({ n, line }: { n: number; line: DoneLine }) {
  const { name, what, groups, foundLeft, isOpen, note } = line
  const value = (one: number) => (foundLeft?.is === 'measure' ? quantity(one, foundLeft.unit).value : String(one))
  return (
    <li className="grid grid-cols-[24px_minmax(0,1fr)_auto] items-center gap-x-2 py-0.5 text-[14.5px]">
      <LineNumber n={n} isOpen={isOpen} />
      <span className={`min-w-0 leading-tight ${isOpen ? 'text-seal-ink' : ''}`}>
        <b className="font-semibold">{upper(name)}</b>
        {groups.length > 0 && ` ${groups.join(', ')}`}{' '}
        <span className={isOpen ? 'font-semibold' : 'text-second'}>{what}</span>
        {foundLeft && (
          <span className="block text-[13px] text-second">
            {foundLeftWords(foundLeft)}
            {foundLeft.is === 'measure' &&
              `, accepted ${value(foundLeft.accepted.from)} to ${value(foundLeft.accepted.to)}`}
          </span>
        )}
        {note && <span className="block text-[13px] text-second">{note}</span>}
      </span>
      {foundLeft ? (
        <span className="mono flex items-center gap-1.5 text-[13px]">
          <span className="text-second max-sm:hidden">{foundLeft.found.map(value).join(', ')}</span>
          <FoundLeftRule of={foundLeft} />
          <b className={isOpen ? 'text-seal-ink' : ''}>{foundLeft.left === undefined ? '' : value(foundLeft.left)}</b>
        </span>
      ) : (
        <span />
      )}
    </li>
  )
}

const LineNumber = ({ n, isOpen }: { n: number; isOpen: boolean }) => (
  <span
    className={`flex h-[21px] w-[21px] shrink-0 items-center justify-center rounded-full border-2 text-[12px] font-[650] ${isOpen ? 'border-seal bg-enamel text-seal-ink' : 'border-deep bg-deep text-enamel'}`}
  >
    {n}
  </span>
)

const Stop = ({ n, isClear, inline = false }: { n: number; isClear: boolean; inline?: boolean }) => (
  <span
    className={`flex h-[25px] w-[25px] shrink-0 items-center justify-center rounded-full border-2 border-deep text-[13px] font-[650] ${isClear ? 'bg-deep text-enamel' : 'bg-enamel text-deep'} ${inline ? '' : 'absolute left-[14px] top-2'}`}
  >
    {n}
  </span>
)
