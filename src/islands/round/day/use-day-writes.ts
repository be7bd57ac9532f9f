import { useState } from 'react'
import type { Entry } from '../../../core/ledger/entry.ts'
import { browserNow } from '../../../ui/clock.ts'
import type { DayHandOver, DayPage, DayPerson, DayStop } from '../../../views/day-page.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'
import { madeAt, newId } from '../../new-id.ts'

/** What is written from a day: its order, and that somebody is there or has left. */
export function useDayWrites(page: DayPage, firmId: string, onWritten: () => void) {
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState('')
  const write = async (entries: Entry | Entry[], since?: Parameters<typeof writeFrom>[1]) => {
    setBusy(true)
    const told = await writeFrom([entries].flat(), since)
    setBusy(false)
    setWrong(told.ok ? '' : told.issues[0]!.message)
    onWritten()
  }
  const siteIdsOf = (stops: number[]) => stops.map((i) => page.stops[i]!.siteId)
  return {
    busy,
    wrong,
    /** The order counts unless somebody else set one since this page was read. */
    setOrder: (person: DayPerson, order: number[]) =>
      write(
        makeEntry(
          'firm',
          firmId,
          'day-order',
          { on: page.on, technicianId: person.id, siteIds: siteIdsOf([...person.been, ...order]) },
          page.today,
        ),
        { seq: page.seq, subjectIds: [firmId] },
      ),
    /** Somebody else goes: what was asked or agreed stays so, under the same visit. */
    handOver: ({ moves }: DayHandOver) =>
      write(
        moves.map(({ stop, toId }) => handedTo(page, page.stops[stop]!, toId)),
        { seq: page.seq, subjectIds: siteIdsOf(moves.map(({ stop }) => stop)) },
      ),
    /** Somebody stands at the door: the visit begins under the id it was arranged with. */
    begin: (stop: number, me: string) => {
      const { siteId, visitId } = page.stops[stop]!
      const entry = makeEntry('site', siteId, 'visit', { technicianIds: [me], arrivedAt: nowToTheMinute() }, page.today)
      return write({ ...entry, visitId: visitId ?? entry.id })
    },
    /** Not there after all: what was begun by mistake does not count. */
    takeBack: (stop: number) => {
      const { siteId, header } = page.stops[stop]!
      if (!header) return Promise.resolve()
      return write(
        makeEntry('site', siteId, 'withdrawn', { reason: 'not there after all' }, page.today, {
          supersedes: header.id,
        }),
      )
    },
    leave: (stop: number) => {
      const { siteId, visitId, header } = page.stops[stop]!
      if (!header) return Promise.resolve()
      const entry = makeEntry('site', siteId, 'visit', { ...header.body, leftAt: nowToTheMinute() }, page.today, {
        supersedes: header.id,
        ...(visitId && { visitId }),
      })
      return write(entry)
    },
  }
}

/** A visit of the day as it stands, by somebody else. */
export function handedTo(page: Pick<DayPage, 'on' | 'today'>, stop: DayStop, technicianId: string): Entry {
  const { siteId, state, visitId, promised, repair, serviceMin, tasks } = stop
  const id = newId()
  const isArranged = visitId !== undefined
  return makeEntry(
    'site',
    siteId,
    'appointment',
    {
      step: state === 'asked' || state === 'agreed' ? state : 'proposed',
      on: page.on,
      technicianId,
      minutes: Math.round(serviceMin),
      // What the plan has besides stays the plan’s own.
      tasks: tasks.filter(({ mayWait }) => !isArranged || !mayWait).map(({ subjectId, key }) => ({ subjectId, key })),
      ...(promised && { from: promised }),
      ...(repair && { repair }),
    },
    page.today,
    { id, happenedAt: madeAt(id), visitId: visitId ?? newId() },
  )
}

const nowToTheMinute = () => `${browserNow().toISOString().slice(0, 16)}Z`
