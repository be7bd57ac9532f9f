import { useEffect, useRef, useState } from 'react'
import type { Kind } from '../../core/kinds/kind.ts'
import type { KnownStripDown } from '../../core/strip-down/known-strip-down.ts'
import { comesNext, inCup, inHand, onBench, type SheetPress } from '../../core/strip-down/sheet.ts'
import { Key } from '../../ui/Key.tsx'
import { meansItself } from '../../ui/typing.ts'
import { CautionBand } from '../run/CautionBand.tsx'
import { FittedSheet, partsOf } from '../run/FittedSheet.tsx'
import { ReasonSheet } from '../run/ReasonSheet.tsx'
import { useAwake } from '../run/use-awake.ts'
import { useLettingGo } from '../run/use-letting-go.ts'
import { BenchList } from './BenchList.tsx'
import { BenchMat } from './BenchMat.tsx'
import type { KeptSheet } from './kept-sheet.ts'
import { type Noted, NotedLines } from './NotedLines.tsx'
import { Lines, Now } from './NowThing.tsx'
import { TestedSheet } from './TestedSheet.tsx'
import { ThingForm } from './ThingForm.tsx'

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

const button =
  'min-h-[64px] border-2 border-deep bg-enamel px-4 text-[18px] leading-tight font-semibold text-deep disabled:border-hair disabled:text-second'

const primary =
  'min-h-[64px] flex-1 bg-copper px-5 text-[22px] font-semibold text-on-copper max-lg:order-first max-lg:basis-full lg:min-w-[320px]'

/** The mat, what is in the hand, what is still on the bench. It closes on an empty mat and an empty cup, or with a word. */
export function SheetScreen({ kept, kind, known, noted, place, timeZone, lost, onPress, onPhoto, photoSays }: Props) {
  const { sheet } = kept
  const [asking, setAsking] = useState<'note' | 'close' | 'tested' | 'other' | 'fitted' | null>(null)
  /** What is closed with a part left over waits here for the electrical test. */
  const [leftOver, setLeftOver] = useState<string>()
  const camera = useRef<HTMLInputElement>(null)
  useAwake(true)
  useLettingGo()
  useEffect(() => {
    window.scrollTo(0, 0)
  }, [])
  const hand = inHand(sheet)
  const held = hand === null ? null : sheet.things[hand]!
  const bench = onBench(sheet)
  const cup = inCup(sheet)
  const refitting = sheet.turnedAt !== null
  const next = refitting || !known ? null : comesNext(sheet, known.things)
  const clock = (at: number) =>
    new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone }).format(at)
  const allBack = refitting && bench.length === 0
  const screws = cup.reduce((sum, { count }) => sum + count, 0)
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
  useEffect(() => {
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
        <button type="button" className={button} onClick={() => setAsking('other')}>
          Something else is off
        </button>
      )}
      {refitting && bench.length > 0 && (
        <button type="button" className={button} onClick={() => setAsking('close')}>
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
        <section className="flex flex-col bg-enamel" aria-label={refitting ? 'Back on now' : 'Comes off now'}>
          <div className="flex-1 px-4 py-3 lg:px-6">
            {refitting && held && !allBack ? (
              <Now what="Back on now" number={hand! + 1} thing={held.thing} words={held.thing.back} />
            ) : next ? (
              <>
                <Now what="Comes off now" number={sheet.things.length + 1} thing={next} words={next.before} />
                <NotedLines noted={noted} thing={next.name} />
              </>
            ) : allBack ? (
              <>
                <p className="m-0 text-[28px] font-[640]">All is back in.</p>
                {known && <Lines lines={known.after} />}
              </>
            ) : (
              <>
                <p className="m-0 text-[20px]">
                  {known && sheet.things.length > 0
                    ? 'All of it is off. Do the work, then turn round: it is played backwards.'
                    : 'Add what comes off, then turn round: it is played backwards.'}
                </p>
                {known && sheet.things.length > 0 && (
                  <>
                    <h2 className="m-0 pt-3 pb-1 text-[16px] font-[620]">While all is off</h2>
                    <Lines lines={known.turning} />
                    {known.broken && (
                      <>
                        <h2 className="m-0 pt-3 pb-1 text-[16px] font-[620]">What it looks like broken</h2>
                        <Lines lines={known.broken} />
                      </>
                    )}
                  </>
                )}
              </>
            )}
          </div>
          {(refitting ? held?.thing.trap : next?.trap) && !allBack && (
            <CautionBand
              caution={{
                hazard: 'parts',
                say: (refitting ? held?.thing.trap : next?.trap)!,
                ...(held?.note && refitting && { how: `Noted: ${held.note}` }),
              }}
            />
          )}
        </section>
        <section className="border-hair px-4 py-3 lg:border-l" aria-label="Before it came off">
          <h2 className="m-0 pb-2 text-[16px] font-[620]">
            {refitting ? 'Before it came off' : 'In the hand'}
            <span className="ml-2 text-[14px] font-normal text-second">
              {held ? held.thing.name.toLowerCase() : ''}
            </span>
          </h2>
          <div className="grid grid-cols-2 gap-2">
            {held?.photos.map((photo, i) => (
              <img
                key={photo}
                src={kept.waiting[photo] ? `data:image/jpeg;base64,${kept.waiting[photo]}` : `/api/photos/${photo}`}
                alt={`${held.thing.name} as it sat, ${i + 1}`}
                className="block aspect-[4/3] w-full border border-hair object-cover"
              />
            ))}
          </div>
          {held && held.photos.length === 0 && (
            <p className="m-0 text-[15px] text-second">
              {refitting ? 'No photo was taken of it.' : 'A photo of how it sits is worth more than a note.'}
            </p>
          )}
          {held?.note && <p className="m-0 pt-2 text-[16px]">Noted: {held.note}</p>}
          {held && refitting && (
            <p className="m-0 pt-2">
              <NotedLines noted={noted} thing={held.thing.name} />
            </p>
          )}
          {photoSays && (
            <p role="status" className="m-0 pt-2 text-[15px] font-semibold text-brass-ink">
              {photoSays}
            </p>
          )}
        </section>
        <section className="border-hair px-4 py-3 lg:border-l lg:px-5" aria-label="Still on the bench">
          <BenchList sheet={sheet} />
          <div className="grid grid-cols-2 gap-3 pt-2 lg:hidden">{more}</div>
        </section>
      </div>
      {asking === 'other' && (
        <ThingForm
          onClose={() => setAsking(null)}
          onOff={(thing) => {
            setAsking(null)
            onPress({ type: 'off', thing })
          }}
        />
      )}
      <footer className="flex flex-wrap gap-3 border-t-2 border-hair bg-enamel px-4 py-3 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 lg:sticky lg:bottom-0 lg:z-10 lg:px-6">
        <button
          type="button"
          className={button}
          disabled={sheet.things.length === 0}
          onClick={() => onPress({ type: 'back' })}
        >
          Back{' '}
          <span className="max-lg:hidden">
            <Key>B</Key>
          </span>
        </button>
        <button type="button" className={button} disabled={!held} onClick={() => camera.current?.click()}>
          Photo{' '}
          <span className="max-lg:hidden">
            <Key>F</Key>
          </span>
        </button>
        <input
          ref={camera}
          type="file"
          accept="image/*"
          capture="environment"
          className="hidden"
          aria-label="Photo"
          onChange={(event) => {
            const chosen = event.target.files?.[0]
            if (chosen) onPhoto(chosen)
            event.target.value = ''
          }}
        />
        <button type="button" className={button} disabled={!held} onClick={() => setAsking('note')}>
          Note a trap{' '}
          <span className="max-lg:hidden">
            <Key>T</Key>
          </span>
        </button>
        {!refitting && sheet.things.length > 0 && (
          <button type="button" className={next ? button : primary} onClick={() => onPress({ type: 'turn' })}>
            Now back together{' '}
            {!next && (
              <span className="max-lg:hidden">
                <Key>Space</Key>
              </span>
            )}
          </button>
        )}
        {next && (
          <button type="button" className={button} onClick={() => onPress({ type: 'stays', name: next.name })}>
            Stays on
          </button>
        )}
        <div className="contents max-lg:hidden">{more}</div>
        {newParts.length > 0 && (
          <button type="button" className={button} onClick={() => setAsking('fitted')}>
            A new one in …
          </button>
        )}
        {(next || refitting) && (
          <button type="button" className={primary} onClick={go}>
            {next ? `${next.name}: off` : allBack ? 'Close the sheet' : `${held?.thing.name}: back in`}{' '}
            <span className="max-lg:hidden">
              <Key>Space</Key>
            </span>
          </button>
        )}
      </footer>
      {asking === 'note' && (
        <ReasonSheet
          title={`About ${held?.thing.name.toLowerCase() ?? ''}`}
          about="Shown again when it goes back, and kept in the machine’s ledger."
          reasons={['Goes in one way only', 'Was fitted the wrong way round', 'Cracked: replace it next time']}
          act="Note it"
          onClose={() => setAsking(null)}
          onReason={(words) => {
            setAsking(null)
            onPress({ type: 'note', words })
          }}
        />
      )}
      {asking === 'close' && (
        <ReasonSheet
          title={`${bench.length} left over`}
          about={`Still off: ${bench.map(({ off }) => off.thing.name.toLowerCase()).join(', ')}. Closed all the same, it stays on record with your word for it.`}
          reasons={['Broken: a new one is ordered', 'Belongs to another machine', 'Left off on purpose']}
          act="Close it"
          onClose={() => setAsking(null)}
          onReason={(word) => {
            setAsking(null)
            close(word)
          }}
        />
      )}
      {asking === 'tested' && (
        <TestedSheet
          onClose={() => setAsking(null)}
          onTested={(tested) => {
            setAsking(null)
            onPress({ type: 'close', tested, ...(leftOver && { leftOver }) })
          }}
        />
      )}
      {asking === 'fitted' && (
        <FittedSheet
          kind={kind}
          parts={newParts.map(({ id }) => id)}
          place={null}
          some
          onClose={() => setAsking(null)}
          onKeep={(fitted) => {
            setAsking(null)
            onPress({ type: 'in', fitted })
          }}
        />
      )}
    </div>
  )
}
