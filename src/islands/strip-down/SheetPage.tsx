import { useEffect, useRef, useState } from 'react'
import { jot } from '../../core/ledger/jot.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import type { KnownStripDown } from '../../core/strip-down/known-strip-down.ts'
import { newSheet, type SheetPress, sheetStep } from '../../core/strip-down/sheet.ts'
import { heldAfter, sheetBody, sheetFittings } from '../../core/strip-down/sheet-record.ts'
import { knownFor, knownStripDowns } from '../../core/trade/strip-downs/known.ts'
import { browserNow } from '../../ui/clock.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import { AsideNote, lookAtMachine } from '../AsideNote.tsx'
import { fromPage } from '../from-page.tsx'
import { kindOf } from '../machine/kind-of.ts'
import { makeEntry, writeFrom } from '../make-entry.ts'
import { newId } from '../new-id.ts'
import { noPicture, sendPhoto, smaller } from '../photos.ts'
import { visitToday } from '../visit-today.ts'
import { BeforeSheet } from './BeforeSheet.tsx'
import { type KeptSheet, keptSheets } from './kept-sheet.ts'
import type { Noted } from './NotedLines.tsx'
import { SheetScreen } from './SheetScreen.tsx'

interface Props {
  bundle: MachineBundle
  /** What was noted while machines of this kind were in pieces. */
  noted: Noted[]
  today: string
  me: string
  asked: string | null
}

/** The same sheet with a photo under the name the server gave it. */
function named(kept: KeptSheet, here: string, name: string): KeptSheet {
  const { [here]: _, ...waiting } = kept.waiting
  const things = kept.sheet.things.map((off) => ({
    ...off,
    photos: off.photos.map((photo) => (photo === here ? name : photo)),
  }))
  return { ...kept, waiting, sheet: { ...kept.sheet, things } }
}

/** Without the photos that no server has taken. */
function without(kept: KeptSheet): KeptSheet {
  const things = kept.sheet.things.map((off) => ({
    ...off,
    photos: off.photos.filter((photo) => !(photo in kept.waiting)),
  }))
  return { ...kept, waiting: {}, sheet: { ...kept.sheet, things } }
}

/** A strip-down sheet of one machine: begun, kept, closed, written. */
function SheetPage({ bundle, noted, today, me, asked }: Props) {
  const { id: machineId } = bundle.machine
  const [kept, setKept] = useState<KeptSheet | null | undefined>(undefined)
  const [aside, setAside] = useState<string | null>(null)
  const [lost, setLost] = useState(false)
  const [says, setSays] = useState('')
  /** The server said of a photo that it will not keep it. */
  const [notKept, setNotKept] = useState(false)
  /** What presses and answers go by: a photo’s name may come while hands go on. */
  const latest = useRef<KeptSheet | null>(null)
  useEffect(() => {
    void keptSheets.read(machineId).then((found) => {
      latest.current = found.value
      setKept(found.value)
      setAside(found.aside)
    })
  }, [machineId])
  const kind = kindOf(bundle)
  const place = `${bundle.machine.name}, ${bundle.site.name}`
  if (!kind) return <p className="p-6">The kind "{bundle.machine.kind}" is not known here.</p>
  if (kept === undefined) return <p className="p-6 text-second">Looking for what was begun here …</p>
  const become = (next: KeptSheet) => {
    latest.current = next
    setKept(next)
    void keptSheets.keep(machineId, next).then((isKept) => setLost(!isKept))
  }
  if (kept === null)
    return (
      <>
        <AsideNote what="A strip-down sheet" why={aside} look={lookAtMachine} />
        <BeforeSheet
          machineId={machineId}
          place={place}
          known={knownFor(kind.basedOn ?? kind.id)}
          noted={noted}
          asked={asked}
          onStart={(title, known?: KnownStripDown) =>
            become({
              title,
              ...(known && { known: known.id }),
              sheet: newSheet(browserNow().getTime()),
              waiting: {},
              id: newId(),
            })
          }
        />
      </>
    )

  /** Photos that wait get their names, one after the other; presses meanwhile are not lost. */
  const sendWaiting = async (): Promise<string> => {
    for (;;) {
      const [first] = Object.entries(latest.current!.waiting)
      if (!first) return ''
      const told = await sendPhoto(first[1])
      if (!told.ok) {
        setNotKept(told.forGood ?? false)
        return told.message
      }
      become(named(latest.current!, first[0], told.name))
    }
  }
  const write = async () => {
    setSays('Saving …')
    const waits = await sendWaiting()
    if (waits) return setSays(waits)
    const { sheet, title, known, id } = latest.current!
    const visitId = visitToday(bundle, today, me)?.visitId
    const of = knownStripDowns.find((one) => one.id === known)
    const day = dayAt(bundle.site.timeZone, sheet.closed!.at)
    // As it was closed, not as it is saved: sent twice it is the same, by the same ids.
    const more = { happenedAt: new Date(sheet.closed!.at).toISOString(), ...(visitId && { visitId }) }
    const besides = [...sheetFittings(sheet), ...(heldAfter(sheet, of) ? [jot('held', { why: 'electrical' })] : [])]
    const ids = [...(latest.current!.ids ?? [])]
    while (ids.length < besides.length) ids.push(newId())
    become({ ...latest.current!, ids })
    const told = await writeFrom([
      makeEntry('machine', machineId, 'strip-down', sheetBody(sheet, title, of), day, { id, ...more }),
      ...besides.map(({ kind: entryKind, body }, i) =>
        makeEntry('machine', machineId, entryKind, body, day, { id: ids[i]!, ...more }),
      ),
    ])
    if (!told.ok) return setSays(told.issues.map(({ message }) => message).join('; '))
    await keptSheets.drop(machineId)
    location.assign(`/machines/${machineId}?lens=ledger&saved`)
  }
  const press = (event: SheetPress) => {
    const now = latest.current!
    const sheet = sheetStep(now.sheet, { ...event, at: browserNow().getTime() })
    if (sheet === now.sheet) return
    become({ ...now, sheet })
    if (sheet.closed) void write()
  }
  const photo = async (file: File) => {
    setSays('Making the photo smaller …')
    try {
      const image = await smaller(file)
      const here = newId()
      const now = latest.current!
      const sheet = sheetStep(now.sheet, { type: 'photo', photo: here, at: browserNow().getTime() })
      become({ ...now, sheet, waiting: { ...now.waiting, [here]: image } })
      setSays(await sendWaiting())
    } catch (error) {
      console.info('No photo could be made of it', error)
      setSays(noPicture(file))
    }
  }
  if (kept.sheet.closed)
    return (
      <div className="flex min-h-screen flex-col items-start gap-4 bg-enamel p-6">
        <h1 className="m-0 text-[25px] font-[620]">{kept.title}: closed</h1>
        <p className="m-0 text-[18px]" role="status">
          {says || 'Not written yet.'}
        </p>
        <button type="button" className="act min-h-[64px] text-[20px]" onClick={write}>
          Save it
        </button>
        {notKept && (
          <button
            type="button"
            className="plain min-h-[64px] text-[20px]"
            onClick={() => {
              become(without(latest.current!))
              setNotKept(false)
              void write()
            }}
          >
            Save it without {Object.keys(kept.waiting).length === 1 ? 'the photo' : 'those photos'}
          </button>
        )}
      </div>
    )
  return (
    <SheetScreen
      kept={kept}
      kind={kind}
      known={knownStripDowns.find(({ id }) => id === kept.known) ?? null}
      noted={noted}
      place={place}
      timeZone={bundle.site.timeZone}
      lost={lost}
      onPress={press}
      onPhoto={photo}
      photoSays={says}
    />
  )
}

export const SheetIsland = fromPage(SheetPage)
