import { expect } from 'chai'
import fc from 'fast-check'
import { everyDays } from '../../../src/core/care/care-rhythm.ts'
import { careSheet } from '../../../src/core/care/care-sheet.ts'
import type { CareSheet } from '../../../src/core/care/care-terms.ts'
import { taskTold } from '../../../src/core/care/care-told.ts'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../../src/core/kinds/kind.ts'

const sheet = (id: string, drinksPerOpenDay: number, options: [string, boolean][] = []) =>
  careSheet(withOptions(kindById(id)!, new Map(options)), { drinksPerOpenDay, policy: 'usual' })
const of = (made: CareSheet, rhythm: string) => made.rhythms.find((one) => one.rhythm === rhythm)?.items ?? []
const said = (made: CareSheet, rhythm: string) => of(made, rhythm).map(({ say }) => say)

describe('a care sheet', () => {
  it('has something for every kind, in the order of how often, nothing twice', () => {
    for (const { id } of kinds) {
      const made = sheet(id, 40)
      expect(made.rhythms, id).to.not.have.length(0)
      const all = made.rhythms.flatMap(({ items }) => items.map(({ say }) => say))
      expect(new Set(all).size, id).to.equal(all.length)
    }
  })

  it('rinses 2 to 3 seconds and purges 2 seconds at every shot (common practice, no source)', () => {
    const shots = of(sheet('c2', 200), 'shot')
    expect(shots.map(({ say }) => say)).to.include('Run the group 2 to 3 seconds')
    expect(shots.find(({ drawing }) => drawing === 'wand')?.how).to.contain('Two seconds')
    expect(said(sheet('pk', 20), 'shot')).to.not.include('Knock the puck out')
  })

  it('asks for water strokes in the shift of a busy bar, once a day of a quiet one', () => {
    expect(said(sheet('c2', 200), 'hours')).to.include('Backflush with water, every few hours')
    expect(said(sheet('c2', 30), 'hours')).to.deep.equal([])
    expect(said(sheet('c2', 30), 'day')).to.include('Backflush with water after the last coffee')
  })

  it('backflushes a bar at close, a home by its traffic, a machine without a valve not at all', () => {
    expect(said(sheet('c2', 200), 'day')).to.include('Backflush with detergent, at close')
    expect(said(sheet('lv', 4), 'week')).to.include('Backflush with detergent, every 7 days')
    const without = sheet('dn', 4).rhythms.flatMap(({ items }) => items.map(({ say }) => say))
    expect(without.some((say) => /backflush/i.test(say))).to.equal(false)
    expect(without.some((say) => /^Group cleaned/.test(say))).to.equal(true)
  })

  it('thirty pulls a week are weekly at about four a day (common practice, no source)', () => {
    const task = kindById('lv')!.tasks.find(({ id }) => id === 'detergent-backflush')!
    expect(everyDays(task, { drinksPerOpenDay: 4, policy: 'usual' })).to.be.closeTo(7.5, 0.2)
  })

  it('comes round never later with more drinks, and is always a day or more', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds.flatMap(({ tasks }) => tasks.filter(({ by }) => by === 'customer'))),
        fc.double({ min: 0.5, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        (task, drinks, times) => {
          const few = everyDays(task, { drinksPerOpenDay: drinks, policy: 'usual' })
          const many = everyDays(task, { drinksPerOpenDay: drinks * times, policy: 'usual' })
          expect(many).to.be.at.most(few)
          expect(many).to.be.at.least(1)
        },
      ),
    )
  })

  it('says nothing of milk where there is none', () => {
    const none = sheet('sr', 40, [['milk', false]])
    expect(JSON.stringify(none)).to.not.match(/milk (system|cleaner)/i)
    expect(JSON.stringify(sheet('sr', 40, [['milk', true]]))).to.match(/milk system/i)
  })

  it('says what may hurt at detergent, steam and milk', () => {
    for (const { rhythms } of [sheet('c2', 200), sheet('sr', 60, [['milk', true]])])
      for (const { items } of rhythms)
        for (const item of items)
          if (['powder', 'strokes', 'wand', 'milk', 'soak', 'programme'].includes(item.drawing))
            expect(item.caution, item.say).to.be.a('string')
  })

  it('follows the chosen way in full: soak, pause, scrub, screens, rinse of the basket, the first coffee', () => {
    const by = (id: string, ways: Record<string, string>, drinks = 200) =>
      careSheet(withOptions(kindById(id)!, new Map()), {
        drinksPerOpenDay: drinks,
        policy: 'usual',
        ways,
      }).rhythms.flatMap(({ items }) => items)
    const backflush = by('c2', { 'detergent-backflush': 'full-scoop-long-soak' }).find(
      ({ drawing }) => drawing === 'powder',
    )!
    expect(backflush.how)
      .to.match(/A full scoop/)
      .and.match(/leave it locked in 3 to 5 min/)
      .and.match(/scrub seal and screen/)
    expect(backflush.how)
      .to.match(/rinse the basket/)
      .and.match(/first coffee thrown away/)
    const home = by('dv', { 'detergent-backflush': 'short-strokes-spared-pump' }, 3).find(({ say }) =>
      /detergent/.test(say),
    )!
    expect(home.say).to.contain('every 2 months')
    expect(home.how).to.contain('35 s after the first stroke')
    const soak = by('c2', {}).find(({ drawing }) => drawing === 'soak')!
    expect(soak.say).to.contain('at close')
    expect(soak.how)
      .to.match(/screens off/i)
      .and.match(/20 min/)
  })

  it('says one of several that do the same: the programme where it is usual, else the backflush', () => {
    const lines = (id: string) => sheet(id, 5).rhythms.flatMap(({ items }) => items.map(({ say }) => say))
    expect(lines('dg').filter((say) => /detergent|tablet/i.test(say))).to.have.length(1)
    expect(lines('pt').filter((say) => /detergent|tablet/i.test(say))).to.have.length(1)
  })

  it('carries a caution wherever something can hurt, and nothing that is a technician’s', () => {
    for (const { id, options } of kinds)
      for (const drinks of [2, 40, 200]) {
        const made = careSheet(withOptions(kindById(id)!, new Map(options.map((one) => [one.id, true]))), {
          drinksPerOpenDay: drinks,
          policy: 'usual',
        })
        for (const { items } of made.rhythms)
          for (const item of items) {
            const risky =
              /backflush|programme|soak|bath|tip|wand|milk|sanitis|brew unit|hopper|head rins|capsule|boiler|group (run|clean)/i
            if (risky.test(item.say)) expect(item.caution, `${id}: ${item.say}`).to.be.a('string')
            expect(`${item.say} ${item.how ?? ''}`, id).to.not.match(
              /guides|vacuum|gasket|strip-down|multimeter|case open/i,
            )
          }
      }
  })
})

describe('how a line is told', () => {
  it('is said by every line and every customer’s task of every kind that ships', () => {
    for (const kind of kinds) {
      for (const line of kind.routine) {
        expect(line.rhythm, `${kind.id}: ${line.what}`).to.be.a('string')
        expect(line.drawing, `${kind.id}: ${line.what}`).to.be.a('string')
      }
      for (const task of kind.tasks.filter(({ by }) => by === 'customer'))
        expect(taskTold(kind, task).hazards ?? [], `${kind.id}: ${task.name}`).to.not.include('unknown')
    }
  })

  it('of an earlier file’s line is that of the kind it was copied from, of a line nobody has told an honest word', () => {
    const shipped = kindById('pl')!
    const bare = shipped.routine.map(({ what, every, mark }) => ({ what, every, mark }))
    const acid = { what: 'Clean the steam arm with acid', every: 'every day', mark: 'M' as const }
    const own = { ...shipped, id: 'our-pl', basedOn: 'pl', routine: [...bare, acid] }
    const lines = (kind: Kind) =>
      careSheet(kind, { drinksPerOpenDay: 30, policy: 'usual' }).rhythms.flatMap(({ items }) => items)
    const told = (kind: Kind, say: string) => lines(kind).find((item) => item.say === say)
    for (const { what } of bare) expect(told(own, what), what).to.deep.equal(told(shipped, what))
    expect(told(own, acid.what)).to.include({
      caution: 'Nobody has said what may hurt here: ask before doing it.',
      how: 'Every day',
    })
    // Nobody said under which heading it stands: none is guessed from its words.
    const { rhythms } = careSheet(own, { drinksPerOpenDay: 30, policy: 'usual' })
    expect(rhythms.find(({ rhythm }) => rhythm === 'said')?.items.map(({ say }) => say)).to.deep.equal([acid.what])
  })
})
