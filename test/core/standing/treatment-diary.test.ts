import { expect } from 'chai'
import { addMonths } from 'date-fns'
import fc from 'fast-check'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import type { Ledgers } from '../../../src/core/standing/histories.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import { softenerFacts } from '../../../src/core/standing/softener-facts.ts'
import type { Standing } from '../../../src/core/standing/standing.ts'
import { entry, ledgers, reading, setting, steadyReadings, takenOn } from './a-history.ts'

// What stands before the machines, reckoned in closed form by the application, is worked here again in the plainest
// way there is: a diary, a day at a time.

const from = '2025-06-02'
const to = '2026-06-01'
const about = { subjectKind: 'softener', subjectId: 's' } as const
const taken = (kind: string) => entry('commissioned', from, { kind, kindVersion: 1, partsNew: true }, about)
const raw = (quantity: string, mgL: number) =>
  entry(
    'water-test',
    from,
    { point: 'raw', quantity, method: 'figure', unit: 'mgL', value: mgL },
    { subjectKind: 'site', subjectId: 'site' },
  )
const open = (openWeekdays: number[]) => setting('site', '2024-01-01', { setting: 'opening', openWeekdays })
/** One litre a drink and nothing a day: then litres are drinks. */
const litreADrink = setting('machine', from, { setting: 'budget', mlPerDrink: 1000, litresPerOpenDay: 0 })

/** Readings every week, so many in all up to the last. */
function readings(weekly: number[]): Entry[] {
  const after = (weeks: number) => sum(weekly, 0, weeks)
  return [0, ...weekly].map((_, i) => reading(fromDay(toDay(from) + 7 * i), after(i)))
}

/** Litres of each day of a week's reading, straight over its open days; day numbers from `from` on. */
function diary(weekly: number[], openWeekdays: number[]): number[] {
  return weekly.flatMap((some) =>
    // 2025-06-02 is a Monday.
    [1, 2, 3, 4, 5, 6, 7].map((weekday) => (openWeekdays.includes(weekday) ? some / openWeekdays.length : 0)),
  )
}

const sum = (days: number[], start: number, end: number) =>
  days.slice(Math.max(0, start), Math.max(0, end)).reduce((all, some) => all + some, 0)

/** Weeks that differ as weeks do: a last one beyond belief would wait until the next confirms it. */
const weeks = fc.integer({ min: 100, max: 600 }).chain((usual) =>
  fc.array(fc.integer({ min: Math.round(usual * 0.7), max: Math.round(usual * 1.3) }), {
    minLength: 12,
    maxLength: 52,
  }),
)
const weekdays = fc
  .uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 2, maxLength: 7 })
  .map((days) => [...days].sort())
const standing = (softener: Entry[], site: Entry[], fed: Ledgers[], key: string): Standing =>
  reckonSoftener({ softener, site }, fed)!.standings.find((one) => one.key === key)!

describe('what a treatment gave, against a diary kept by the day', () => {
  const machine = (weekly: number[], site: Entry[], more: Entry[] = []) =>
    ledgers([takenOn('c2', from), litreADrink, ...readings(weekly), ...more], { site })

  it('adds up between any two days', () => {
    fc.assert(
      fc.property(weeks, weekdays, fc.nat(), fc.nat(), (weekly, days, a, b) => {
        const site = [open(days)]
        const { draw } = softenerFacts({ softener: [taken('exchanger')], site }, [machine(weekly, site)])!
        const kept = diary(weekly, days)
        const [start, end] = [a % kept.length, b % kept.length].sort((x, y) => x - y) as [number, number]
        const day = toDay(from)
        expect(draw.between(day + start, day + end)).to.be.closeTo(sum(kept, start, end), 1e-6)
        const middle = Math.floor((start + end) / 2)
        expect(draw.between(day + start, day + middle) + draw.between(day + middle, day + end)).to.be.closeTo(
          draw.between(day + start, day + end),
          1e-6,
        )
      }),
      { numRuns: 60 },
    )
  })

  it('of a machine that was led from one treatment to another is shared between the two, nothing lost', () => {
    fc.assert(
      fc.property(weeks, fc.uniqueArray(fc.nat({ max: 80 }), { minLength: 1, maxLength: 4 }), (weekly, moves) => {
        const site = [open([1, 2, 3, 4, 5, 6, 7])]
        const on = [...moves].sort((x, y) => x - y)
        const moved = on.map((days, i) =>
          entry('moved', fromDay(toDay(from) + days), {
            fromSiteId: 'a',
            toSiteId: 'a',
            fromSoftenerId: i % 2 === 0 ? 's' : 't',
            toSoftenerId: i % 2 === 0 ? 't' : 's',
          }),
        )
        const fed = machine(weekly, site, moved)
        const drawn = (id: string) => {
          const own = { subjectKind: 'softener', subjectId: id } as const
          const softener = [entry('commissioned', from, { kind: 'exchanger', kindVersion: 1, partsNew: true }, own)]
          return softenerFacts({ softener, site }, [fed])!.draw.between(toDay(from), toDay(from) + 7 * weekly.length)
        }
        const kept = diary(weekly, [1, 2, 3, 4, 5, 6, 7])
        const bounds = [0, ...on, kept.length]
        const share = (which: number) =>
          bounds
            .slice(0, -1)
            .reduce((all, start, i) => all + (i % 2 === which ? sum(kept, start, bounds[i + 1]!) : 0), 0)
        expect(drawn('s')).to.be.closeTo(share(0), 1e-6)
        expect(drawn('t')).to.be.closeTo(share(1), 1e-6)
      }),
      { numRuns: 40 },
    )
  })

  it('spent by now is dated to the very day the diary passes it', () => {
    fc.assert(
      fc.property(weeks, weekdays, fc.integer({ min: 30, max: 3000 }), (weekly, days, printed) => {
        const kept = diary(weekly, days)
        fc.pre(sum(kept, 0, kept.length - 7) > printed)
        const site = [open(days)]
        const carbon = [
          taken('carbon'),
          setting('softener', from, { setting: 'prefilter', fitted: true, litres: printed }),
        ]
        const due = standing(carbon, site, [machine(weekly, site)], 'change-prefilter')
        const day = kept.findIndex((_, i) => sum(kept, 0, i + 1) >= printed - 1e-9)
        expect(due.governing).to.equal('litres')
        expect(due.due!.p50).to.equal(fromDay(toDay(from) + day))
        expect(due.due!.p10).to.equal(due.due!.p90)
      }),
      { numRuns: 60 },
    )
  })
})

describe('a weak-acid cartridge, against a diary', () => {
  it('gives the grams on it over what it takes out of each litre', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 3000 }),
        fc.integer({ min: 40, max: 400 }),
        fc.integer({ min: 0, max: 150 }),
        fc.integer({ min: 0, max: 6 }),
        (grams, carbonate, permanent, tenths) => {
          const site = [open([1, 2, 3, 4, 5, 6, 7]), raw('total', carbonate + permanent), raw('carbonate', carbonate)]
          const cartridge = [
            taken('cartridge'),
            setting('softener', from, { setting: 'cartridge', capacityG: grams, bypass: tenths / 10 }),
          ]
          const fed = ledgers([takenOn('c2', from), litreADrink, ...steadyReadings(from, to, 350)], { site })
          const uses = standing(cartridge, site, [fed], 'change-cartridge').uses
          // A litre at a time, until its grams are gone.
          let [left, litres] = [grams * 1000, 0]
          const each = carbonate * (1 - tenths / 10)
          while (left >= each) {
            left -= each
            litres += 1
          }
          expect(uses.find(({ clock }) => clock === 'litres')!.limit).to.be.within(litres - 0.001, litres + 1)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('is over by age in each policy’s months, whatever is drawn', () => {
    // Common practice: twelve months at most; the cautious change it twice a year, from memory.
    for (const [policy, months] of [
      ['cautious', 6],
      ['usual', 12],
      ['longLife', 12],
    ] as const) {
      const site = [open([1, 2, 3, 4, 5, 6, 7]), raw('total', 200), raw('carbonate', 160)]
      const around = [...site, setting('site', from, { setting: 'policy', policy })]
      const cartridge = [
        taken('cartridge'),
        setting('softener', from, { setting: 'cartridge', capacityG: 90_000, bypass: 0 }),
      ]
      const fed = ledgers([takenOn('c2', from), litreADrink, ...steadyReadings(from, '2025-06-30', 7)], { site })
      const changed = entry('cartridge-changed', '2025-06-30', {}, about)
      const due = standing([...cartridge, changed], around, [fed], 'change-cartridge')
      expect(due).to.include({ governing: 'months', since: '2025-06-30', sinceKnown: true })
      expect(due.due!.p50).to.equal(addMonths(new Date('2025-06-30T00:00Z'), months).toISOString().slice(0, 10))
    }
  })
})

describe('salt of a softener that regenerates itself, against a diary', () => {
  it('lasts as many regenerations as the tank holds: by litres, or every four days', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 50 }),
        fc.integer({ min: 4, max: 20 }),
        fc.integer({ min: 70, max: 2100 }),
        (tankKg, resinL, weekly) => {
          const site = [open([1, 2, 3, 4, 5, 6, 7]), raw('total', 300)]
          const own = [
            taken('exchanger'),
            setting('softener', from, {
              setting: 'exchanger',
              resinL,
              regenerates: 'itself',
              saltGPerL: 120,
              saltTankKg: tankKg,
            }),
            entry('salt-added', to, { kg: tankKg }, about),
          ]
          const fed = ledgers([takenOn('c2', from), litreADrink, ...steadyReadings(from, to, weekly)], { site })
          const facts = softenerFacts({ softener: own, site }, [fed])!
          const salt = standing(own, site, [fed], 'salt')
          const gives = salt.working.lines.find(({ what }) => what === 'Regenerates every')!
          const litres = Number(/^(\d+) L/.exec(gives.formula!)![1])
          // Day by day: it regenerates when its litres are through, or on the fourth day. From memory.
          const perDay = facts.draw.perOpenDay
          let [left, drawn, since, day] = [tankKg, 0, 0, 0]
          const perTime = (resinL * 120) / 1000
          while (left >= perTime) {
            day += 1
            drawn += perDay
            since += 1
            if (drawn >= litres || since >= 4) {
              left -= perTime
              drawn -= Math.min(drawn, litres)
              since = 0
            }
          }
          const cycle = Math.min(4, litres / perDay)
          // A diary is written once a day: within a cycle, or a tenth where it regenerates more often than daily.
          expect(salt.uses[0]!.limit).to.be.closeTo(day, Math.max(cycle + 1, day * 0.35))
          expect(toDay(salt.due!.p50) - toDay(to)).to.equal(salt.uses[0]!.limit)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('what tells that a treatment is spent', () => {
  const site = [open([1, 2, 3, 4, 5, 6, 7]), raw('total', 300), raw('carbonate', 240)]
  const set: Record<string, Entry[]> = {
    exchanger: [setting('softener', from, { setting: 'exchanger', resinL: 8 })],
    cartridge: [setting('softener', from, { setting: 'cartridge', capacityG: 900, bypass: 0.2 })],
    membrane: [setting('softener', from, { setting: 'membrane', rawShare: 0.25 })],
    carbon: [setting('softener', from, { setting: 'prefilter', fitted: true })],
  }
  const figures = (read: Record<string, number>) =>
    entry('water-figures', '2026-05-04', { point: 'softened', by: 'pen', ...read }, about)
  const drops = entry(
    'water-test',
    '2026-05-04',
    { point: 'softened', quantity: 'total', method: 'figure', unit: 'dH', value: 1 },
    about,
  )
  const samples: Record<string, Entry> = {
    hardness: drops,
    conductivity: figures({ conductivityUsCm: 90 }),
    chlorine: figures({ freeChlorineMgL: 0.02 }),
    'total chlorine': figures({ totalChlorineMgL: 0.04 }),
  }
  // Each treatment has its own: common practice, no source.
  const tells: Record<string, string[]> = {
    exchanger: ['hardness'],
    cartridge: ['hardness'],
    membrane: ['conductivity'],
    carbon: ['chlorine', 'total chlorine'],
  }
  for (const kind of Object.keys(tells)) {
    it(`${kind}: ${tells[kind]!.join(' or ')}, and nothing else`, () => {
      const fed = ledgers([takenOn('c2', from), ...steadyReadings(from, to, 350)], { site })
      for (const [name, sample] of Object.entries(samples)) {
        const test = standing([taken(kind), ...set[kind]!, sample], site, [fed], 'outlet-test')
        const told = tells[kind]!.includes(name)
        expect([test.since, test.sinceKnown], name).to.deep.equal(told ? ['2026-05-04', true] : [from, false])
      }
    })
  }

  it('is asked for monthly at least, by the cautious weekly', () => {
    const fed = ledgers([takenOn('c2', from), ...steadyReadings(from, to, 350)], { site })
    const days = (policy: string) => {
      const around = [...site, setting('site', from, { setting: 'policy', policy })]
      const test = standing([taken('exchanger'), ...set.exchanger!, drops], around, [fed], 'outlet-test')
      return toDay(test.due!.p50) - toDay('2026-05-04')
    }
    expect(days('usual')).to.equal(31)
    expect(days('cautious')).to.be.within(7, 8)
    expect(days('longLife')).to.equal(92)
  })
})
