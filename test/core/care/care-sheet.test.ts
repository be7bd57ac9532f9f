import { expect } from 'chai'
import fc from 'fast-check'
import { type CareSheet, careSheet, everyDays } from '../../../src/core/care/care-sheet.ts'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'

const sheet = (id: string, drinksPerOpenDay: number, options: [string, boolean][] = []) =>
  careSheet(withOptions(kindById(id)!, new Map(options)), { drinksPerOpenDay, school: 'usual' })
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

  it('asks for water strokes every two hours of a busy bar, once a day of a quiet one', () => {
    expect(said(sheet('c2', 200), 'hours')).to.include('Backflush with water, every two hours')
    expect(said(sheet('c2', 30), 'hours')).to.deep.equal([])
    expect(said(sheet('c2', 30), 'day')).to.include('Backflush with water after the last coffee')
  })

  it('backflushes a bar at close, a home by its traffic, a machine without a valve not at all', () => {
    expect(said(sheet('c2', 200), 'day')).to.include('Backflush with detergent, at close')
    expect(said(sheet('lv', 4), 'week').some((say) => /^Backflush with detergent, every \d+ days$/.test(say))).to.equal(
      true,
    )
    const without = sheet('dn', 4).rhythms.flatMap(({ items }) => items.map(({ say }) => say))
    expect(without.some((say) => /backflush/i.test(say))).to.equal(false)
    expect(without).to.include('Group cleaned without a valve')
  })

  it('thirty pulls a week are weekly at about four a day (common practice, no source)', () => {
    const duty = kindById('lv')!.duties.find(({ id }) => id === 'detergent-backflush')!
    expect(everyDays(duty, { drinksPerOpenDay: 4, school: 'usual' })).to.be.closeTo(7.5, 0.2)
  })

  it('comes round never later with more drinks, and is always a day or more', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds.flatMap(({ duties }) => duties.filter(({ by }) => by === 'customer'))),
        fc.double({ min: 0.5, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        (duty, drinks, times) => {
          const few = everyDays(duty, { drinksPerOpenDay: drinks, school: 'usual' })
          const many = everyDays(duty, { drinksPerOpenDay: drinks * times, school: 'usual' })
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
})
