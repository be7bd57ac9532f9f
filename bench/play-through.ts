import type { FaultBook } from '../src/core/faults/fault.ts'
import { nothingWrong } from '../src/core/faults/fault.ts'
import { testMinutes } from '../src/core/faults/next-test.ts'
import { repairNow } from '../src/core/faults/repair-now.ts'
import { newSearch, searchStep, suspicion } from '../src/core/faults/search.ts'
import { namedLeader } from '../src/core/faults/shares.ts'
import type { HardCase } from './hard-cases.ts'

/** How a search went that was played to its end, repairs and all. */
export interface PlayedThrough {
  /** What was repaired, in order, and whether it was broken. */
  repairs: { fault: string; wasIt: boolean; part: boolean; p: number }[]
  tests: number
  minutes: number
  /** Nothing is broken any more. */
  cured: boolean
  /** Which fault of the book led before the first test, after it, and so on, until something was repaired. */
  led: string[]
}

const mostTests = 60
const mostRepairs = 4

/**
 * Plays a machine as the screen does: the next best test, the look before a part, the repair where it says so; where it
 * is still not right after it, the search goes on.
 *
 * @param factors - what its records make of each fault
 */
export function playThrough(book: FaultBook, machine: HardCase, factors: Record<string, number>): PlayedThrough {
  let search = newSearch(machine.symptom, 0)
  const done: PlayedThrough = { repairs: [], tests: 0, minutes: 0, cured: false, led: [] }
  while (done.tests < mostTests && done.repairs.length < mostRepairs) {
    const now = suspicion(book, search, factors)
    if (done.repairs.length === 0) done.led.push(now.network.faults[namedLeader(now.network, now.belief)]!)
    const repair = repairNow(book, search, now)
    if (repair && !repair.proof) {
      const fault = book.faults.find(({ id }) => id === repair.fault)!
      const wasIt = machine.mend(fault.id)
      done.repairs.push({ fault: fault.id, wasIt, part: fault.part !== undefined && !fault.repair.tell, p: repair.p })
      if (machine.broken.every((id) => id === nothingWrong)) {
        done.cured = true
        break
      }
      search = searchStep(search, { type: 'not cured', fault: fault.id, at: done.tests })
      continue
    }
    const next = repair?.proof ?? now.next[0]
    if (!next) break
    const look = 1 + search.seen.filter(({ test }) => test === next.test).length
    const test = book.tests.find(({ id }) => id === next.test)!
    done.tests += 1
    done.minutes += testMinutes(book, { ...test, hazard: undefined }, [])
    search = searchStep(search, {
      type: 'seen',
      test: next.test,
      outcome: machine.observe(next.test, look),
      at: done.tests,
    })
  }
  return done
}
