import { useEffect, useMemo, useState } from 'react'
import { circumstancesHeard } from '../../../core/faults/circumstances-heard.ts'
import { complaintsHeard, heardBeside } from '../../../core/faults/complaint.ts'
import { newSearch, type SearchPress, searchStep } from '../../../core/faults/search.ts'
import { searchOnRecord } from '../../../core/faults/search-on-record.ts'
import { soundTold } from '../../../core/faults/sound-told.ts'
import { inSentence, stopOf, stopOfComplaint } from '../../../core/faults/stops.ts'
import { effective } from '../../../core/standing/histories.ts'
import { takesFrom } from '../../../core/trade/what-stops.ts'
import { bestMoments } from '../../../core/visits/best-moments.ts'
import { callUrgency } from '../../../core/visits/call-urgency.ts'
import type { CallerMachine } from '../../../core/visits/caller-machine.ts'
import { browserNow } from '../../../ui/clock.ts'
import type { CallMoment, CallPlace, OpenFault } from '../../../views/call-page.ts'
import { useFetched } from '../../use-fetched.ts'
import type { KeptCall } from './kept-call.ts'
import { useCallDays } from './use-call-days.ts'
import { useCallFault } from './use-call-fault.ts'
import { useCallWrites } from './use-call-writes.ts'
import type { useKeptCall } from './use-kept-call.ts'

/** Minutes of work where nothing is known of the fault. From memory. */
const unknownMinutes = 45

/** All that follows from what was said in a call so far: what it is taken for, how urgent, when to go; and its ends. */
export function useCall(
  kept: ReturnType<typeof useKeptCall>,
  call: KeptCall,
  { firmId, today }: { firmId: string; today: string },
) {
  const { machine, search, text } = call
  const [place, setPlace] = useState<CallPlace | null>(null)
  const [chosenKey, setChosenKey] = useState<string | null>(null)
  const [promised, setPromised] = useState(true)
  const [round, setRound] = useState(0)
  const noPlace = useFetched<CallPlace>(machine && `/api/calls/place?siteId=${machine.siteId}`, setPlace, {
    afterMs: 10,
  })
  const here = place && place.siteId === machine?.siteId ? place : null
  const { known, now, told, without, failed: noFault } = useCallFault(machine?.machineId ?? null, search, today)
  const book = known?.book ?? null
  const stop = search?.stop && search.stop !== 'none' ? stopOf(search.stop) : null
  const isHeld = call.isHeld === true || (stop !== null && known?.heldFor.includes(stop.holds) === true)
  const writes = useCallWrites({ kept, call: { ...call, isHeld }, book, firmId, today })

  /** What was asked was of the machine before. */
  const chooseMachine = (one: CallerMachine | null) =>
    kept.change({
      machine: one,
      who: '',
      search: null,
      minutes: null,
      urgency: null,
      ids: {},
      isReported: false,
      isHeld: false,
      onRecord: 0,
    })
  const take = (symptom: string, words: string) => {
    if (!book) return
    const also = heardBeside(book, words, symptom)
    const stop = [symptom, ...also].map(stopOfComplaint).find((one) => one !== undefined)
    kept.change({
      // What is told now is told anew, whatever was on record.
      onRecord: 0,
      ids: withoutAnswers(call.ids),
      search: {
        ...newSearch(symptom, browserNow().getTime(), [
          ...circumstancesHeard(book, words),
          ...soundTold(book, words, [symptom, ...also]),
        ]),
        phone: true,
        ...(also.length > 0 && { also }),
        ...(stop && { stop }),
      },
      minutes: null,
    })
  }
  /** What was not answered to yet follows their words. */
  const onText = (words: string) => {
    kept.change({ text: words })
    if (!book || search?.stop !== undefined) return
    const heard = complaintsHeard(book, words)[0]?.symptom
    if (heard) take(heard, words)
  }
  // Words that were typed before anybody knew of which machine.
  useEffect(() => {
    const heard = book && !search && text ? complaintsHeard(book, text)[0]?.symptom : undefined
    if (heard) take(heard, text)
  })
  /** They ring about what was reported already: it is one fault, and stays under its id. */
  const goOn = ({ id, text: words, symptom }: OpenFault) => {
    const told = known?.book && searchOnRecord(known.book, effective(known.bundle.ledgers).machine?.entries ?? [])
    if (told?.reportId === id && told.answerIds.length > 0) {
      const ids = Object.fromEntries(told.answerIds.map((answer, i) => [`seen ${i}`, answer]))
      kept.change({
        text: words,
        isReported: true,
        search: { ...told.search, phone: true },
        ids: { ...withoutAnswers(call.ids), ...ids, report: id },
        onRecord: told.answerIds.length,
      })
      return
    }
    const heard = symptom ?? (book ? complaintsHeard(book, words)[0]?.symptom : undefined)
    if (heard) take(heard, words)
    kept.change({ text: words, isReported: true, ids: { ...withoutAnswers(call.ids), report: id } })
  }
  const press = (event: SearchPress) => {
    const latest = kept.call
    if (!latest?.search) return
    const next = searchStep(latest.search, { ...event, at: browserNow().getTime() })
    // Another answer in the place of one that was taken back is another entry.
    const { [`seen ${next.seen.length}`]: _, ...ids } = latest.ids
    kept.change({
      search: next,
      ids,
      ...(latest.onRecord && { onRecord: Math.min(latest.onRecord, next.seen.length) }),
    })
  }

  const symptoms = search ? [search.symptom, ...(search.also ?? [])] : []
  const takes = takesFrom(symptoms)
  const danger = stop && inSentence(stop.name)
  const beside = here?.machines.filter(({ id }) => id !== machine?.machineId) ?? []
  const own = here?.machines.find(({ id }) => id === machine?.machineId)
  const urgency = callUrgency({
    takes,
    here: { perDay: own?.perDay ?? null },
    beside,
    isDanger: danger !== null,
  })
  const level = call.urgency ?? urgency.level
  const minutes = call.minutes ?? told?.minutes ?? unknownMinutes
  const looked = useCallDays(here?.siteId ?? null, {
    today,
    minutes,
    urgency: level,
    round,
    kind: machine?.kind ?? null,
  })
  const nowMin = looked.days[0]?.nowMin ?? 0
  const moments = useMemo(
    () =>
      bestMoments(
        looked.days.flatMap((day) => day.moments),
        { urgency: level, nowMin },
      ),
    [looked.days, level, nowMin],
  )
  const agreedOn = looked.days.find(({ there }) => there === 'agreed')?.on ?? null
  const chosen = moments.find((one) => keyOf(one) === chosenKey) ?? moments[0] ?? null
  // What must stop is asked before anything else is agreed.
  const isAsked = known !== null && (known.book === null || search?.stop !== undefined)
  const canPut = machine !== null && isAsked && (text.trim() !== '' || search !== null)
  const put = (step: 'agreed' | 'asked') => {
    const day = looked.days.find(({ on }) => on === chosen?.on)
    if (chosen && day && canPut)
      void writes.visit(chosen, { minutes, promised, step }, day.seq).then(() => setRound((n) => n + 1))
  }
  return {
    /** Nothing is known of the machine or its place: no connection. */
    failed: machine !== null && (noFault || noPlace),
    here,
    known,
    now,
    told,
    without,
    book,
    writes,
    isHeld,
    take,
    chooseMachine,
    onText,
    goOn,
    press,
    symptoms,
    takes,
    danger,
    beside,
    own,
    urgency,
    level,
    minutes,
    looked,
    moments,
    chosen,
    agreedOn,
    choose: (moment: CallMoment) => setChosenKey(keyOf(moment)),
    promised,
    setPromised,
    isAsked,
    canPut,
    put,
  }
}

/** Ids of what was told, left out: another answer is another entry. */
const withoutAnswers = (ids: KeptCall['ids']): KeptCall['ids'] =>
  Object.fromEntries(Object.entries(ids).filter(([name]) => !name.startsWith('seen ')))

const keyOf = ({ on, technicianId, beginMin }: CallMoment): string => `${on} ${technicianId} ${beginMin}`
