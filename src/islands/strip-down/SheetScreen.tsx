import { useEffect, useLayoutEffect, useRef, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { KnownStripDown } from '../../core/strip-down/known-strip-down.ts'
import type { SheetPress } from '../../core/strip-down/sheet.ts'
import { meansItself } from '../../ui/typing.ts'
import { partsOf } from '../run/FittedSheet.tsx'
import { useAwake } from '../run/use-awake.ts'
import { useLettingGo } from '../run/use-letting-go.ts'
import { BeforeItCameOff } from './BeforeItCameOff.tsx'
import { BenchList } from './BenchList.tsx'
import { BenchMat } from './BenchMat.tsx'
import type { KeptSheet } from './kept-sheet.ts'
import type { Noted } from './NotedLines.tsx'
import { SheetBar, sheetButton } from './SheetBar.tsx'
import { type SheetAsks, SheetQuestions } from './SheetQuestions.tsx'
import { sheetStand } from './sheet-stand.ts'
import { WorkedOn } from './WorkedOn.tsx'

interface Props {
  kept: KeptSheet
  kind: Kind
  known: KnownStripDown | null
  noted: Noted[]
  place: string
  timeZone: string
  lost: boolean
  onPress: (event: SheetPress) => void
  onPhoto: (file: File) => void
  photoSays: string
}

/** The mat, what is in the hand, what is still on the bench. It closes on an empty mat and an empty cup, or with a word. */
export function SheetScreen({ kept, kind, known, noted, place, timeZone, lost, onPress, onPhoto, photoSays }: Props) {
  const { sheet } = kept
  const [asking, setAsking] = useState<SheetAsks | null>(null)
  /** What is closed with a part left over waits here for the electrical test. */
  const [leftOver, setLeftOver] = useState<string>()
  const camera = useRef<HTMLInputElement>(null)
  useAwake(true)
  useLettingGo()
  useEffect(() => {
    window.scrollTo(0, 0)
  }, [])
  const stand = sheetStand(sheet, known)
  const { held, bench, screws, refitting, next, allBack } = stand
  const clock = (at: number) =>
    new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone }).format(at)
  const go = () => {
    if (next) onPress({ type: 'off', thing: next })
    else if (refitting && held && !allBack) onPress({ type: 'in' })
    else if (allBack) close()
    else if (sheet.things.length > 0) onPress({ type: 'turn' })
  }
  const close = (word?: string) => {
    if (known?.opens) {
      setLeftOver(word)
      setAsking('tested')
    } else onPress({ type: 'close', ...(word && { leftOver: word }) })
  }
  const newParts = refitting && held?.thing.parts && !held.fitted ? partsOf(kind, held.thing.parts) : []
  // With the sheet itself, not after it: what is seen can be pressed, and means what is seen.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (meansItself(event) || event.repeat) return
      const key = event.key.toLowerCase()
      if (key === 'b') onPress({ type: 'back' })
      if (key === 'f') camera.current?.click()
      if (key === 't') setAsking('note')
      if (key === ' ' && !document.activeElement?.matches('button:focus-visible')) {
        event.preventDefault()
        go()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
  const more = (
    <>
      {!allBack && (
        <button type="button" className={sheetButton} onClick={() => setAsking('other')}>
          Something else is off
        </button>
      )}
      {refitting && bench.length > 0 && (
        <button type="button" className={sheetButton} onClick={() => setAsking('close')}>
          Close with a part left …
        </button>
      )}
    </>
  )
  return (
    <div className="flex min-h-screen flex-col">
      <header className="flex flex-wrap items-center gap-x-4 border-b border-hair bg-enamel px-4 lg:px-6">
        <h1 className="m-0 text-[17px] font-[620]">{kept.title}</h1>
        <span className="text-[15px] text-second">{place}</span>
        <span className="mono ml-auto text-[14px] text-second">opened {clock(sheet.openedAt)}</span>
        <button
          type="button"
          className="min-h-[64px] min-w-[64px] text-[16px] font-semibold underline decoration-copper decoration-[1.5px] underline-offset-4"
          onClick={() => history.back()}
        >
          Leave, keep the place
        </button>
        {lost && (
          <b role="status" className="basis-full text-[14px] text-seal-ink">
            This device keeps nothing: do not close the page.
          </b>
        )}
      </header>
      <section className="px-4 pt-2 pb-3 lg:px-6" aria-label="Bench mat">
        <h2 className="m-0 flex flex-wrap items-baseline gap-x-4 pb-1 text-[20px] font-[640]" aria-live="polite">
          {sheet.things.length === 0
            ? 'Nothing is off yet'
            : `${bench.length} ${bench.length === 1 ? 'thing' : 'things'} ${refitting ? 'still on the bench' : 'off'}`}
          <span className="text-[15px] font-normal text-second">
            {screws > 0 && `and ${screws} in the cup. `}
            {refitting
              ? `${sheet.things.length - bench.length} back in: dashed. Came off 1 to ${sheet.things.length}, goes back ${sheet.things.length} to 1.`
              : 'Triangle: a trap.'}
          </span>
        </h2>
        <BenchMat sheet={sheet} clock={clock} onTake={(index) => onPress({ type: 'take', index })} />
      </section>
      <div className="grid flex-1 border-t border-hair pb-[172px] lg:grid-cols-[1.15fr_0.7fr_0.9fr] lg:pb-0">
        <WorkedOn sheet={sheet} known={known} noted={noted} stand={stand} />
        <BeforeItCameOff kept={kept} noted={noted} stand={stand} photoSays={photoSays} />
        <section className="border-hair px-4 py-3 lg:border-l lg:px-5" aria-label="Still on the bench">
          <BenchList sheet={sheet} />
          <div className="grid grid-cols-2 gap-3 pt-2 lg:hidden">{more}</div>
        </section>
      </div>
      <SheetBar
        sheet={sheet}
        stand={stand}
        newOne={newParts.length > 0}
        camera={camera}
        onPress={onPress}
        onPhoto={onPhoto}
        onAsk={setAsking}
        onGo={go}
        more={more}
      />
      <SheetQuestions
        asking={asking}
        kind={kind}
        stand={stand}
        newParts={newParts.map(({ id }) => id)}
        leftOver={leftOver}
        onPress={onPress}
        onLeftOver={close}
        onClose={() => setAsking(null)}
      />
    </div>
  )
}
