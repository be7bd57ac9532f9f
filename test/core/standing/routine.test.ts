import { expect } from 'chai'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { offeredTo } from '../../../src/core/procedures/offered.ts'
import { waySetting } from '../../../src/core/procedures/way-setting.ts'
import { addMonths, fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { type RoutineLine, routineHere } from '../../../src/core/standing/routine.ts'
import { procedures } from '../../../src/core/trade/procedures/index.ts'
import { entry, ledgers, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'
import { routineOf as expectedRoutine } from './routine-of.ts'

const day = (from: string, days: number) => fromDay(toDay(from) + days)

const ledgersOf = (kind: string, more: Entry[] = [], perWeek = 700) =>
  ledgers([takenOn(kind, '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', perWeek), ...more])

const routineOf = (kind: string, more: Entry[] = [], perWeek = 700): RoutineLine[] =>
  routineHere(effective(ledgersOf(kind, more, perWeek)))

const line = (lines: RoutineLine[], what: string) => {
  const found = lines.find((one) => one.what === what)
  if (!found) throw new Error(`no line "${what}" among ${lines.map((one) => one.what).join(', ')}`)
  return found
}

const cleaned = (on: string, task: string, group?: number) =>
  entry('cleaned', on, { task, ...(group !== undefined && { group }) })

const ran = (on: string, procedure: string, ended = 'done') =>
  entry('run', on, { procedure, version: 1, name: procedure, way: 's', minutes: 4, ended, steps: [] })

const chosen = (on: string, procedure: string, way: string, level: 'machine' | 'firm' = 'machine') => {
  const found = procedures.find(({ id }) => id === procedure)!
  return setting(level, on, waySetting(found, found.ways.find(({ id }) => id === way)!))
}

describe('the routine of a machine', () => {
  it('says nothing of a machine nobody took on', () => {
    expect(routineHere(effective(ledgers([])))).to.deep.equal([])
  })

  it('has a line for every task of the customer, of every kind, none twice', () => {
    for (const kind of kinds) {
      const lines = routineOf(kind.id)
      expect(lines.length, kind.id).to.be.above(1)
      const names = lines.map(({ what, way }) => `${what}, ${way}`)
      expect(new Set(names).size, kind.id).to.equal(names.length)
      for (const { what, every } of lines) expect(every, `${kind.id}: ${what}`).to.not.equal('')
    }
  })

  for (const kind of kinds)
    it(`of a ${kind.id} is what people do with it, each thing once`, () => {
      const lines = routineHere(effective(ledgers([takenOn(kind.id, '2026-01-05')])))
      expect(lines.map(({ what, way, every }) => [what, way, typeof every === 'string' ? every : null])).to.deep.equal(
        expectedRoutine[kind.id],
      )
    })

  it('names only procedures and tasks that its kind has', () => {
    for (const kind of kinds)
      for (const { what, procedure, task } of kind.routine) {
        const offered = offeredTo(kind).map((one) => one.procedure.id)
        if (procedure) expect(offered, `${kind.id}: ${what}`).to.include(procedure)
        if (task)
          expect(
            kind.tasks.map(({ id }) => id),
            `${kind.id}: ${what}`,
          ).to.include(task)
      }
  })

  it('knows nothing of what was never put on record: no last, no next', () => {
    const lines = routineOf('c2')
    expect(lines.every(({ last, next }) => last === null && next === null)).to.equal(true)
  })

  // Backflush with detergent every day at close: common practice in bars, no source.
  it('of two groups the one cleaned longest ago tells when it comes next', () => {
    const both = [cleaned('2026-05-28', 'detergent-backflush', 1), cleaned('2026-05-30', 'detergent-backflush', 2)]
    const { last, next, way } = line(routineOf('c2', both), 'Detergent backflush')
    expect(last).to.equal('2026-05-28')
    expect(next).to.equal('2026-05-29')
    expect(way).to.be.a('string')
    expect(line(routineOf('c2', both.slice(0, 1)), 'Detergent backflush').last).to.equal(null)
  })

  it('a run that was not led to its end is not the last time it was done', () => {
    expect(line(routineOf('c2', [ran('2026-05-20', 'water-backflush')]), 'Water backflush').last).to.equal('2026-05-20')
    const stopped = [ran('2026-05-20', 'water-backflush'), ran('2026-05-25', 'water-backflush', 'stopped')]
    expect(line(routineOf('c2', stopped), 'Water backflush').last).to.equal('2026-05-20')
  })

  it('a run at one of the groups is not the last time of the machine', () => {
    const at = (on: string, groups: number[], procedure: string) =>
      entry('run', on, {
        procedure,
        version: 1,
        name: procedure,
        way: 's',
        minutes: 4,
        ended: 'done',
        steps: groups.map((group) => ({ step: 'group.strokes', group, how: 'done', atS: 10 })),
      })
    const water = (runs: Entry[]) => line(routineOf('c2', runs), 'Water backflush').last
    expect(water([at('2026-05-20', [1, 2], 'water-backflush')])).to.equal('2026-05-20')
    expect(water([at('2026-05-20', [1, 2], 'water-backflush'), at('2026-05-28', [2], 'water-backflush')])).to.equal(
      '2026-05-20',
    )
    // What dates a task goes by the task alone.
    const one = [at('2026-05-28', [2], 'detergent-backflush'), cleaned('2026-05-28', 'detergent-backflush', 2)]
    expect(line(routineOf('c2', one), 'Detergent backflush').last).to.equal(null)
    const both = [...one, cleaned('2026-05-21', 'detergent-backflush', 1)]
    expect(line(routineOf('c2', both), 'Detergent backflush').last).to.equal('2026-05-21')
  })

  it('a line of the kind’s own words is dated by the procedure that does it', () => {
    const { last, next } = line(
      routineOf('c2', [ran('2026-05-20', 'boiler-refresh')]),
      'Hot water run, boiler refreshed',
    )
    expect([last, next]).to.deep.equal(['2026-05-20', day('2026-05-20', 14)])
    const milk = setting('machine', '2026-01-05', { setting: 'option', option: 'milk', fitted: true })
    const run = line(routineOf('sr', [milk, cleaned('2026-05-31', 'milk-cleaner')]), 'Milk cleaner run')
    expect([run.last, run.next]).to.deep.equal(['2026-05-31', '2026-06-01'])
    expect(routineOf('sr').some(({ what }) => /milk/i.test(what))).to.equal(false)
  })

  it('follows the way that was chosen, nearest level first', () => {
    const lines = routineOf('lv', [
      cleaned('2026-05-30', 'detergent-backflush'),
      chosen('2026-02-01', 'detergent-backflush', 'fingernail-and-a-pause'),
    ])
    const { way, every, next } = line(lines, 'Detergent backflush')
    expect(way).to.equal('one gram and a pause')
    expect(every).to.equal('weekly at home')
    expect(next).to.equal('2026-06-06')
  })

  it('counts lifts where its way counts lifts: thirty of them at three a day are ten days', () => {
    const lines = routineOf(
      'lv',
      [cleaned('2026-06-01', 'detergent-backflush'), chosen('2026-02-01', 'detergent-backflush', 'even-tens-swirled')],
      21,
    )
    const next = line(lines, 'Detergent backflush').next!
    expect(toDay(next) - toDay('2026-06-01')).to.be.within(9, 11)
  })
})

describe('the rhythm of a chosen way', () => {
  const date = (more: Entry[], key: string, around = {}) =>
    standingOf({ ...ledgersOf('lv', [...more]), ...around }, key)

  it('is on record with the choice: its name, its words, its first task and its clocks', () => {
    const found = procedures.find(({ id }) => id === 'descale')!
    const two = found.ways.find(({ id }) => id === 'two-phases-by-knob')!
    expect(waySetting(found, two)).to.deep.include({ setting: 'way', procedure: 'descale', name: two.name })
    expect(waySetting(found, two).rhythm).to.include({ days: 152, litres: 15 })
    expect(waySetting(found, two).rhythm!.tasks).to.deep.equal(['descale'])
  })

  it('is none where a way counts nothing: when it asks', () => {
    const found = procedures.find(({ id }) => id === 'descale')!
    const asks = found.ways.find(({ id }) => id === 'two-halves')!
    expect(waySetting(found, asks).rhythm).to.equal(undefined)
  })

  // Every six months, or when the jet grows thin: common practice, no source.
  it('dates the task: six months for the hot-water screen', () => {
    const way = chosen('2026-02-01', 'hot-water-screen', 'dipped-in-mild-acid')
    const standing = date([way, cleaned('2026-05-01', 'hot-water-screen')], 'hot-water-screen')
    expect(standing.due!.p50).to.equal(fromDay(addMonths(toDay('2026-05-01'), 182 / 30.4375)))
    expect(standing.uses.map(({ clock }) => clock)).to.deep.equal(['months'])
    const interval = standing.working.lines.find(({ origin }) => origin === 'setting')!
    expect(interval.source).to.match(/^its way here: .*, chosen for this machine$/)
  })

  it('stands back behind a figure somebody typed for the task itself', () => {
    const way = chosen('2026-02-01', 'hot-water-screen', 'dipped-in-mild-acid')
    const own = setting('machine', '2026-02-02', {
      setting: 'life',
      kind: 'lv',
      task: 'hot-water-screen',
      clock: 'months',
      value: 2,
    })
    const standing = date([way, own, cleaned('2026-05-01', 'hot-water-screen')], 'hot-water-screen')
    expect(standing.due!.p50).to.equal('2026-07-01')
  })

  it('leaves the catalogue’s other clocks of that task aside, and those of what guards in place', () => {
    const guards = kindById('lv')!.tasks.filter(({ safety }) => safety)
    expect(guards.length).to.be.above(0)
    const way = chosen('2026-02-01', 'cam-grease', 'thin-film')
    const standing = date([way, entry('greased', '2026-05-01', { task: 'cam-grease' })], 'cam-grease')
    expect(standing.uses.map(({ clock }) => clock)).to.deep.equal(['months'])
    const looked = chosen('2026-02-01', 'safety-look', 'looked-at-running')
    const safe = date([looked, entry('checked', '2026-05-01', { task: 'safety-look' })], 'safety-look')
    expect(toDay(safe.due!.p50) - toDay('2026-05-01')).to.be.at.most(366)
  })

  it('chosen for the firm holds until the machine has its own', () => {
    const firm = [chosen('2026-02-01', 'cam-grease', 'thin-film', 'firm')]
    const greased = entry('greased', '2026-05-01', { task: 'cam-grease' })
    const byFirm = date([greased], 'cam-grease', { firm })
    expect(byFirm.working.lines.some(({ source }) => /chosen for this firm/.test(source ?? ''))).to.equal(true)
    expect(toDay(byFirm.due!.p50) - toDay('2026-05-01')).to.be.within(27, 29)
  })

  /** A year at five drinks a day, the seal counted in cycles of detergent as well. */
  const cycles = (more: Entry[], kind = 'lv') => {
    const year = [takenOn(kind, '2025-06-01'), ...steadyReadings('2025-06-01', '2026-06-01', 35)]
    const key = kind === 'c2' ? 'group-gasket@1' : 'group-gasket'
    return standingOf(ledgers([...year, ...more]), key).uses.find(({ clock }) => clock === 'detergentCycles')
  }

  it('tells how many cycles of detergent a seal has seen: weekly is fifty-two a year', () => {
    const weekly = cycles([chosen('2025-06-01', 'detergent-backflush', 'fingernail-and-a-pause')])!
    expect(weekly.used).to.be.closeTo(52, 1)
    expect(weekly.perDay).to.be.closeTo(1 / 7, 0.01)
  })

  it('by lifts too: every thirty of them, five a day, about sixty a year', () => {
    const byLifts = cycles([chosen('2025-06-01', 'detergent-backflush', 'even-tens-swirled')])!
    expect(byLifts.used).to.be.closeTo((365 * 5) / 30, 3)
  })

  it('never more often than once an open day, and a rate somebody typed comes first', () => {
    const nightly = chosen('2025-06-01', 'detergent-backflush', 'full-scoop-long-soak')
    expect(cycles([nightly], 'c2')!.perDay).to.be.at.most(1.001)
    const typed = setting('machine', '2025-06-02', { setting: 'detergent', perOpenDay: 1 / 14 })
    expect(cycles([nightly, typed], 'c2')!.used).to.be.closeTo(26, 1)
  })

  it('chosen twice, the later holds; of two levels the nearer', () => {
    const weekly = chosen('2026-02-01', 'detergent-backflush', 'fingernail-and-a-pause')
    const again = chosen('2026-03-01', 'detergent-backflush', 'light-dose-long-strokes')
    const lines = routineOf('lv', [weekly, again])
    expect(line(lines, 'Detergent backflush').way).to.equal('light dose, long strokes')
    const firm = [chosen('2026-04-01', 'detergent-backflush', 'even-tens-swirled', 'firm')]
    const near = routineHere(effective(ledgers([takenOn('lv', '2026-01-05'), weekly], { firm })))
    expect(line(near, 'Detergent backflush').way).to.equal('one gram and a pause')
    const far = routineHere(effective(ledgers([takenOn('lv', '2026-01-05')], { firm })))
    expect(line(far, 'Detergent backflush').way).to.equal('even tens, swirled')
  })

  it('a choice from before rhythms were kept moves no date', () => {
    const old = setting('machine', '2026-02-01', {
      setting: 'way',
      procedure: 'hot-water-screen',
      way: 'dipped-in-mild-acid',
    })
    const done = cleaned('2026-05-01', 'hot-water-screen')
    expect(date([old, done], 'hot-water-screen').due).to.deep.equal(date([done], 'hot-water-screen').due)
    expect(
      date([old, done], 'hot-water-screen').working.lines.some(({ source }) => /its way/.test(source ?? '')),
    ).to.equal(false)
  })

  it('descaling goes by it where a way counts: fifteen litres or five months', () => {
    const bt = (more: Entry[]) => standingOf(ledgersOf('bt', more, 35), 'descale')
    const by = bt([chosen('2026-01-05', 'descale', 'two-phases-by-knob')])
    const months = by.working.lines.find(({ what }) => what === 'At the latest after')!
    expect(Number(months.value)).to.be.closeTo(152 / 30.4375, 0.01)
    expect(months.source).to.match(/^its way here/)
    const plain = bt([]).working.lines.find(({ what }) => what === 'At the latest after')!
    expect(plain.source).to.match(/^how early/)
    expect(by.due!.p50 <= bt([]).due!.p50 || Number(plain.value) < 5).to.equal(true)
  })
})
