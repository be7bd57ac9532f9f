import type { Descale } from '../kinds/kind.ts'
import { bodyOf } from '../ledger/upcast.ts'
import { mgLPer } from '../quantity/hardness.ts'
import { addMonths, fromDay, monthsBetween, toDay } from '../quantity/local-day.ts'
import { type Add, startWorking } from '../quantity/working.ts'
import { schoolName } from '../wear/limits.ts'
import type { RunningClock } from './duty-clocks.ts'
import { finish } from './duty-standing.ts'
import { nearestSetting, ofKind, ownLife } from './histories.ts'
import type { MachineFacts } from './machine-facts.ts'
import { putAwayOn } from './stages.ts'
import type { Standing } from './standing.ts'
import { dayOfLitres, litresADay, litresBetween } from './water-budget.ts'
import { usualCarbonateShare } from './water-known.ts'

/**
 * Descale by litres (at this water's carbonate hardness), by the machine's own prompt and by the
 * calendar, whichever comes first. The bounds of the drop count or strip run through to the day.
 */
export function descaleStanding(facts: MachineFacts, descale: Descale): Standing | null {
  const done = ofKind(facts.histories, 'machine', 'descaled').at(-1)
  const taken = ofKind(facts.histories, 'machine', 'commissioned')[0]
  const since = (done ?? taken)?.happenedOn
  if (!since) return null
  const start = toDay(since)
  const working = startWorking(facts.showWorking)
  const { add } = working
  const { budget, use, asOfDay, school } = facts
  const running: RunningClock[] = []

  const carbonate = carbonateDh(facts, add)
  const litresFor = (dh: number) => descale.litres.find((row) => dh <= row.upToDh)!.bySchool[school.value]
  const own = ownLife(facts.histories, 'descale', 'litres')
  const limit = own
    ? { soon: own.body.value, value: own.body.value, late: own.body.value }
    : { soon: litresFor(carbonate.high), value: litresFor(carbonate.value), late: litresFor(carbonate.low) }
  const range = limit.late > limit.soon ? `; ${limit.soon} to ${limit.late} L over what the test leaves open` : ''
  const limitLine = add(() => ({
    what: 'Descale every',
    value: limit.value,
    unit: 'L',
    source: own ? `set for this ${own.level}` : `${schoolName[school.value]} school, from memory${range}`,
    ...(!own && { formula: `by {${carbonate.line}}` }),
    origin: own ? 'setting' : 'default',
    mark: own ? undefined : 'M',
    adjust: { setting: 'life', position: 'descale', clock: 'litres', value: limit.value },
  }))
  const perDay = litresADay(budget, use)
  const draw = add(() => ({
    what: 'Draw',
    value: perDay,
    unit: 'L/open day',
    formula: `use × ${Math.round(budget.mlPerDrink * budget.factor)} ml + rinses`,
    origin: 'reckoned',
    source: budget.from === 'metered' ? `meter, ${budget.intervals} intervals` : 'water budget, from memory',
    mark: budget.from === 'metered' ? undefined : 'M',
  }))
  const drawn = Math.max(0, litresBetween(budget, use, start, asOfDay))
  const drawnLine = add(() => ({
    what: `Drawn to ${facts.asOf}`,
    value: drawn,
    unit: 'L',
    formula: `since ${since}`,
    origin: 'reckoned',
    source: done ? 'descaled' : 'taken on',
  }))
  running.push({
    use: {
      clock: 'litres',
      used: drawn,
      limit: limit.value,
      unit: 'L',
      perDay: perDay * facts.opening.shareOpen,
    },
    passage: {
      name: 'litres',
      // Early chances go with the harder end of the test, late ones with the softer.
      dayAt: (chance) =>
        dayOfLitres(budget, use, start, chance < 0.35 ? limit.soon : chance > 0.65 ? limit.late : limit.value, chance),
    },
    leftLine: add(() => ({
      what: 'Left by litres',
      value: Math.round((limit.value - drawn) / perDay),
      unit: 'open days',
      formula: `({${limitLine}} − {${drawnLine}}) ÷ {${draw}}`,
      origin: 'reckoned',
    })),
  })

  const months = ownLife(facts.histories, 'descale', 'months')
  const monthsLimit = months?.body.value ?? descale.months[school.value]
  const end = addMonths(start, monthsLimit)
  const monthsLine = add(() => ({
    what: 'At the latest after',
    value: monthsLimit,
    unit: 'months',
    origin: months ? 'setting' : 'default',
    source: months ? `set for this ${months.level}` : `${schoolName[school.value]} school, from memory`,
    mark: months ? undefined : 'M',
    adjust: { setting: 'life', position: 'descale', clock: 'months', value: monthsLimit },
  }))
  running.push({
    use: {
      clock: 'months',
      used: monthsBetween(start, asOfDay),
      limit: monthsLimit,
      unit: 'months',
      perDay: 1 / 30.4375,
    },
    passage: { name: 'months', fixed: true, dayAt: () => end },
    leftLine: add(() => ({
      what: 'Over by age',
      value: fromDay(end),
      formula: `${since} + {${monthsLine}}`,
      origin: 'reckoned',
    })),
  })

  const asked = ofKind(facts.histories, 'machine', 'prompt-seen').find(
    (entry) => bodyOf(entry).task === 'descale' && entry.happenedOn > since,
  )
  const promptLitres = nearestSetting(facts.histories, 'descale-prompt')
  if (asked) {
    const day = toDay(asked.happenedOn)
    running.push({
      use: { clock: 'prompt', used: 1, limit: 1, unit: 'prompts', perDay: 0 },
      passage: { name: 'prompt', fixed: true, dayAt: () => day },
      leftLine: add(() => ({
        what: 'The machine asked',
        value: asked.happenedOn,
        origin: 'measured',
        source: 'prompt seen',
      })),
    })
  } else if (promptLitres) {
    const litres = promptLitres.body.litres
    const promptLine = add(() => ({
      what: 'The machine asks every',
      value: litres,
      unit: 'L',
      origin: 'setting',
      source: 'at its hardness setting',
    }))
    running.push({
      use: {
        clock: 'prompt',
        used: drawn,
        limit: litres,
        unit: 'L',
        perDay: perDay * facts.opening.shareOpen,
      },
      passage: { name: 'prompt', dayAt: (chance) => dayOfLitres(budget, use, start, litres, chance) },
      leftLine: add(() => ({
        what: 'Left to its prompt',
        value: Math.round((litres - drawn) / perDay),
        unit: 'open days',
        formula: `({${promptLine}} − {${drawnLine}}) ÷ {${draw}}`,
        origin: 'reckoned',
      })),
    })
  }
  const head = {
    key: 'descale',
    duty: 'descale',
    name: 'Descale',
    action: 'descale' as const,
    station: facts.kind.stations.find((station) => station.symbol === 'thermoblock')?.id ?? facts.kind.stations[0]!.id,
    since,
    sinceKnown: Boolean(done),
    minutes: descale.minutes,
    caution: 'acid' as const,
  }
  return finish(head, running, working, facts.asOf, putAwayOn(facts.stage))
}

/** Carbonate hardness of the water the machine gets, °dH, and the line that says where it is from. */
function carbonateDh(facts: MachineFacts, add: Add) {
  const { water } = facts
  const inDh = (mgL: number) => mgL / mgLPer.dH
  const tested = water.rawCarbonate
  if (tested) {
    const line = add(() => ({
      what: 'Carbonate hardness',
      value: inDh(tested.value),
      unit: '°dH',
      origin: 'measured',
      source: `${tested.said}, ${tested.on}`,
    }))
    return { line, low: inDh(tested.low), value: inDh(tested.value), high: inDh(tested.high) }
  }
  const { raw } = water
  if (raw) {
    const total = add(() => ({
      what: 'Total hardness',
      value: inDh(raw.value),
      unit: '°dH',
      origin: 'measured',
      source: `${raw.said}, ${raw.on}`,
    }))
    const line = add(() => ({
      what: 'Carbonate hardness',
      value: inDh(raw.value) * usualCarbonateShare,
      unit: '°dH',
      formula: `{${total}} × ${usualCarbonateShare}`,
      origin: 'default',
      source: 'not tested: the usual share, from memory',
      mark: 'M',
    }))
    const share = usualCarbonateShare
    return {
      line,
      low: inDh(raw.low) * share,
      value: inDh(raw.value) * share,
      high: inDh(raw.high),
    }
  }
  const line = add(() => ({
    what: 'Carbonate hardness',
    value: 14,
    unit: '°dH',
    origin: 'default',
    source: 'no water test yet: a middling water, from memory',
    mark: 'M',
  }))
  return { line, low: 7, value: 14, high: 21.5 }
}
