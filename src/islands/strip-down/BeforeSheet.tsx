import { useState } from 'react'
import type { KnownStripDown } from '../../core/strip-down/known-strip-down.ts'
import { lieWords } from '../../core/strip-down/thing.ts'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { CautionBand } from '../run/CautionBand.tsx'
import { type Noted, NotedLines } from './NotedLines.tsx'

interface Props {
  machineId: string
  place: string
  known: KnownStripDown[]
  noted: Noted[]
  asked: string | null
  onStart: (title: string, known?: KnownStripDown) => void
}

/** Before the first screw: which strip-down, what is made safe, what lies ready. */
export function BeforeSheet({ machineId, place, known, noted, asked, onStart }: Props) {
  const [chosen, setChosen] = useState(known.find(({ id }) => id === asked)?.id ?? known[0]?.id ?? 'free')
  const [title, setTitle] = useState('')
  const [ticked, setTicked] = useState<Set<string>>(new Set())
  const one = known.find(({ id }) => id === chosen)
  const first = one?.first ?? ['Switched off, unplugged, cooled, no pressure: prove it before a hand goes in']
  const open = first.filter((words) => !ticked.has(words))
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <TitleBlock
        name="Strip-down sheet"
        under={place}
        facts={[]}
        action={
          <a href={`/machines/${machineId}?lens=work`} className="plain inline-flex items-center whitespace-nowrap">
            Back to the machine
          </a>
        }
      />
      <div className="flex min-w-0 flex-1 flex-col lg:flex-row">
        <fieldset className="m-0 min-w-0 flex-1 border-0 bg-enamel px-4 py-3 lg:px-6">
          <legend className="head float-left w-full p-0">What is opened</legend>
          {[
            ...known.map(({ id, name, about }) => ({ id, name, about })),
            { id: 'free', name: 'Something else', about: 'An empty sheet: each thing is named as it comes off.' },
          ].map(({ id, name, about }) => (
            <label key={id} className="clear-both flex min-h-[56px] items-center gap-3 border-t border-hair py-1">
              <input
                type="radio"
                name="strip-down"
                className="h-6 w-6 shrink-0"
                checked={chosen === id}
                onChange={() => setChosen(id)}
              />
              <span>
                <b className="font-semibold">{name}</b>
                <span className="block text-[14px] text-second">{about}</span>
              </span>
            </label>
          ))}
          {!one && (
            <label className="mt-2 flex flex-col gap-0.5">
              <span className="slim text-[14px]">What it is about</span>
              <input
                className="field"
                maxLength={80}
                value={title}
                onChange={(event) => setTitle(event.target.value)}
              />
            </label>
          )}
          {one && (
            <section className="pt-4" aria-label="In this order">
              <h2 className="head m-0">In this order</h2>
              <ol className="m-0 list-none p-0">
                {one.things.map((thing, i) => (
                  <li key={thing.name} className="grid grid-cols-[28px_1fr] border-t border-hair py-1.5">
                    <span className="mono text-second">{i + 1}</span>
                    <span>
                      <b className="font-semibold">{thing.name}</b>{' '}
                      <span className="text-[14px] text-second">
                        {[thing.where, lieWords(thing)].filter(Boolean).join('; ')}
                      </span>
                      {thing.trap && <span className="block text-[14px] text-brass-ink">Trap: {thing.trap}</span>}
                      <NotedLines noted={noted} thing={thing.name} />
                    </span>
                  </li>
                ))}
              </ol>
            </section>
          )}
        </fieldset>
        <aside className="shrink-0 border-hair px-5 py-3 lg:w-[440px] lg:border-l" aria-label="Before the first screw">
          {one && (
            <>
              <h2 className="head m-0">At hand</h2>
              <ul className="m-0 list-none p-0 pb-3">
                {one.tools.map(({ name, why }) => (
                  <li key={name} className="border-t border-hair py-1.5">
                    {name} {why && <span className="text-[14px] text-second">{why}</span>}
                  </li>
                ))}
              </ul>
            </>
          )}
          <CautionBand
            caution={{
              hazard: 'mains',
              say: 'Isolate, prove it dead, lock it off.',
              how: 'Only at pressure 0 and cold. Local rules and licensed trades come first.',
            }}
            small
          />
          <h2 className="head m-0 pt-3">Before the first screw</h2>
          {first.map((words) => (
            <label key={words} className="flex min-h-[48px] items-center gap-3 border-t border-hair">
              <input
                type="checkbox"
                className="h-6 w-6 shrink-0"
                checked={ticked.has(words)}
                onChange={() =>
                  setTicked((now) => {
                    const next = new Set(now)
                    if (!next.delete(words)) next.add(words)
                    return next
                  })
                }
              />
              {words}
            </label>
          ))}
          <button
            type="button"
            className="act mt-4 min-h-[64px] w-full text-[20px]"
            disabled={open.length > 0 || (!one && !title.trim())}
            onClick={() => onStart(one?.name ?? title.trim(), one)}
          >
            Open the sheet
          </button>
          <p className="m-0 pt-1 text-[14px] text-second" role="status">
            {open.length > 0
              ? `${open.length} of the list above still to be seen to.`
              : 'It is kept on this device from the first thing on.'}
          </p>
        </aside>
      </div>
    </div>
  )
}
