import { useState } from 'react'
import type { Entry } from '../../../core/ledger/entry.ts'
import { browserNow } from '../../../ui/clock.ts'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'
import { makeEntry, writeFrom } from '../../make-entry.ts'

/** What is written from a day: its order, and that somebody is there or has left. */
export function useDayWrites(page: DayPage, firmId: string, onWritten: () => void) {
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState('')
  const write = async (entry: Entry, since?: Parameters<typeof writeFrom>[1]) => {
    setBusy(true)
    const told = await writeFrom([entry], since)
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

const nowToTheMinute = () => `${browserNow().toISOString().slice(0, 16)}Z`
