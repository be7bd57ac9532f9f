import type { Entry } from '../core/ledger/entry.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'
import { isKind } from '../core/ledger/is-kind.ts'
import { jot } from '../core/ledger/jot.ts'
import type { VisitTerms } from '../core/ledger/visit-terms.ts'
import { fromDay } from '../core/quantity/local-day.ts'
import type { Dice } from './dice.ts'
import { header, hour, type MachineLife, type SiteIds, type Write } from './site-life.ts'
import { conditionAt } from './visit.ts'
import type { DemoSite } from './world.ts'

/** What happens between planned visits: a repair that comes back, a machine put away, something left open. */
export function oddDays(
  d: Dice,
  life: MachineLife,
  ids: SiteIds,
  site: DemoSite,
  siteLedger: Entry[],
  write: Write,
  endDay: number,
): void {
  const { tale } = life.machine
  if (tale === 'winterised') {
    const note = 'Drained for the season: back with the first sailing in March.'
    write(life.ledger, 'machine', life.id, endDay - 20, [jot('stage', { stage: 'winterised', note })])
  }
  if (tale === 'retired') {
    const note = 'Gave way to the one by the window.'
    write(life.ledger, 'machine', life.id, endDay - 40, [jot('stage', { stage: 'retired', note })])
  }
  if (tale !== 'came-back') return
  const call = (back: number, terms: VisitTerms, jottings: Jotting[]) => {
    const day = endDay - back
    const visitId = d.uuid(day * 24 * hour)
    const { body } = header(d, ids, site)
    write(siteLedger, 'site', ids.siteId, day, [jot('visit', { ...body, terms, minutes: 55 })], visitId)
    write(life.ledger, 'machine', life.id, day, jottings, visitId)
  }
  call(47, 'chargeable', [
    jot('fault-reported', { text: 'It grinds and then nothing comes.' }),
    jot('repaired', { text: 'Brew unit washed and greased, drive nut reset.', cause: 'Unit ran dry of grease.' }),
  ])
  call(30, 'goodwill', [
    jot('fault-reported', { text: 'Same again: grinds, then stops half way.' }),
    { kind: 'removed', body: { v: 1, part: 'piston-ring', condition: 3 } },
    { kind: 'fitted', body: { v: 1, part: 'piston-ring' } },
    jot('repaired', {
      text: 'New piston ring; the old one bound in the cylinder.',
      cause: 'Ring swollen.',
      part: 'piston-ring',
    }),
    jot('remark', { text: 'Tray rail is cracked: bring one next time.' }),
  ])
}

export function tales(d: Dice, life: MachineLife, n: number, of: number): Jotting[] {
  const { tale } = life.machine
  if (tale === 'perished-seal' && n === Math.round(of * 0.7)) {
    return [
      {
        kind: 'fault-reported',
        body: { v: 1, text: 'Coffee short in the cup, clear water in the tray, worse each week.' },
      },
      {
        kind: 'removed',
        body: { v: 1, part: 'nozzle-seals', condition: 4, note: 'First seal perished after half a year.' },
      },
      { kind: 'fitted', body: { v: 1, part: 'nozzle-seals', note: 'New pair, greased.' } },
      {
        kind: 'repaired',
        body: { v: 1, text: 'Full cup again; rinse runs to the cup.', part: 'nozzle-seals' },
      },
    ]
  }
  if (tale === 'prompts-often') return [{ kind: 'prompt-seen', body: { v: 1, task: 'descale' } }]
  if (tale === 'board-swap' && n === Math.round(of * 0.65))
    return [{ kind: 'note', body: { v: 1, text: 'Board swapped after a surge; counter starts at nought.' } }]
  if (tale === 'rival-corrections' && n === 2)
    return [{ kind: 'inspected', body: { v: 1, part: 'piston-ring', condition: conditionAt(d, 0.5) } }]
  if (d.chance(0.05)) return [{ kind: 'note', body: { v: 1, text: d.pick(smallTalk) } }]
  return []
}

const smallTalk = [
  'Tray full again: showed them how to empty it.',
  'Beans changed to a darker roast last week.',
  'Left a spare gasket in the drawer under the machine.',
  'Switched off over the weekend from now on.',
  'New hand on the early shift: showed the purge.',
  'Dry under the machine after ten minutes.',
]

/** A wrong count found out a day later, and put right by a correction; once by two people at a time. */
export function putRight(d: Dice, life: MachineLife, day: number, endDay: number): void {
  const reading = life.ledger.filter(isKind('reading')).findLast((entry) => entry.happenedOn === fromDay(day))
  if (!reading || day + 1 > endDay) return
  const truth = life.counter.at(day)
  const correction = (count: number, secondsLater: number): Entry => ({
    ...reading,
    id: d.uuid((day + 1) * 24 * hour + 9 * hour + secondsLater * 1000),
    body: { v: 1, counter: 'shots', count },
    supersedes: reading.id,
  })
  const { tale } = life.machine
  if (tale === 'typo-corrected' && reading.body.count !== truth) life.ledger.push(correction(truth, 0))
  if (tale === 'rival-corrections' && life.readings === 8)
    life.rivals.push(correction(truth, 0), correction(truth + 3, 1))
}
