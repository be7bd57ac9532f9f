import { exactly } from '../../quantity/interval.ts'
import { type LocalDay, toDay } from '../../quantity/local-day.ts'
import { type Add, startWorking } from '../../quantity/working.ts'
import { prefilterMonths } from '../../softener/membrane.ts'
import { treatmentKind } from '../../softener/treatment-kind.ts'
import { policyName } from '../../wear/limits.ts'
import { type Histories, nearestSetting, ofKind, ownPolicy } from '../histories.ts'
import { policyOf } from '../machine-facts.ts'
import { ageClock } from '../softener-age.ts'
import { type Draw, litresClock } from '../softener-draw.ts'
import type { Standing } from '../standing.ts'
import type { RunningClock } from '../task-clocks.ts'
import { finish } from '../task-standing.ts'
import { policyFigure, takeFigure } from '../water/set-figure.ts'
import { carbonBefore } from '../water/treatment-before.ts'
import { daysOf, type SoftenerTask } from './raised-task.ts'

/**
 * When carbon must be changed: as soon as chlorine is found behind it, by the litres printed on it, and by age
 * whatever the litres, since the water behind it is unprotected.
 *
 * @returns null where no carbon stands before the machines
 */
function prefilterStanding(histories: Histories, draw: Draw, asOf: string, showWorking: boolean): Standing | null {
  if (!carbonBefore(histories)) return null
  const set = nearestSetting(histories, 'prefilter')
  const done = ofKind(histories, 'softener', 'prefilter-changed').at(-1)
  const since = done?.happenedOn ?? addedOn(histories)
  const asOfDay = toDay(asOf)
  const policy = policyOf(ownPolicy(histories, 'change-prefilter')).value
  const working = startWorking(showWorking)
  const { add } = working
  const running: RunningClock[] = []
  const found = chlorineClock(histories, since, add)
  if (found) running.push(found)
  const litres = set?.body.litres
  if (litres) {
    const givesLine = add(() => ({
      what: 'Gives',
      value: litres,
      unit: 'L',
      origin: 'setting',
      source: 'printed on it',
    }))
    const how = done ? 'changed' : 'taken on'
    running.push(
      litresClock({ draw, start: toDay(since), since, how, asOf, asOfDay, gives: exactly(litres), givesLine }, add),
    )
  }
  const cap = policyFigure(histories, 'prefilter-months', prefilterMonths[policy], `${policyName[policy]}, from memory`)
  running.push(ageClock(since, asOfDay, cap, 'At the latest after', add))
  const head = {
    key: 'change-prefilter',
    task: 'change-prefilter',
    name: 'Change carbon filter',
    action: 'change' as const,
    station: 'softener',
    since,
    sinceKnown: Boolean(done),
    minutes: 10,
  }
  return finish(head, running, working, asOf)
}

/** The day it was put in: with the treatment, or later, when it was first said to be there. */
function addedOn(histories: Histories): LocalDay {
  const taken = ofKind(histories, 'softener', 'commissioned')[0]!
  if (treatmentKind(taken.body.kind) === 'carbon') return taken.happenedOn
  const said = histories.softener?.settings.get('prefilter') ?? []
  const without = said.findLastIndex(({ body }) => body.setting === 'prefilter' && !body.fitted)
  return said[without + 1]?.happenedOn ?? taken.happenedOn
}

/** Chlorine found behind the carbon since it was changed: it is spent that day. */
function chlorineClock(histories: Histories, since: string, add: Add): RunningClock | null {
  const tests = ofKind(histories, 'softener', 'water-figures').filter((test) => test.happenedOn > since)
  for (const [name, figure, what] of [
    ['freeChlorineMgL', 'free-chlorine', 'Free chlorine behind it'],
    ['totalChlorineMgL', 'total-chlorine', 'Total chlorine behind it'],
  ] as const) {
    const limit = takeFigure(histories, figure)
    const last = tests.findLast((test) => test.body.point !== 'raw' && test.body[name] !== undefined)
    const value = last?.body[name]
    if (!last || value === undefined || value <= limit.value) continue
    const foundLine = add(() => ({ what, value, unit: 'mg/L', origin: 'measured', source: last.happenedOn }))
    const limitLine = add(() => limit.line())
    const day = toDay(last.happenedOn)
    return {
      use: { clock: 'chlorine', used: value, limit: limit.value, unit: 'mg/L', perDay: 0 },
      passage: { name: 'chlorine', fixed: true, dayAt: () => day },
      leftLine: add(() => ({
        what: 'Spent',
        value: last.happenedOn,
        formula: `{${foundLine}} is above {${limitLine}}`,
        origin: 'reckoned',
      })),
    }
  }
  return null
}

export const changePrefilter: SoftenerTask = {
  id: 'change-prefilter',
  searchNames: ['change carbon filter'],
  about: 'softener',
  written: () => ({ kind: 'prefilter-changed', body: {} }),
  rail: { name: 'Change carbon', doneOn: (histories) => daysOf(ofKind(histories, 'softener', 'prefilter-changed')) },
  renewal: { name: 'Carbon changed', of: ({ kind, prefilter }) => prefilter || kind === 'carbon' },
  standing: ({ histories, draw, asOf }, showWorking) => prefilterStanding(histories, draw, asOf, showWorking),
}
