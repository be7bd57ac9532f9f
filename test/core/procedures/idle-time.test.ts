import { expect } from 'chai'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { procedureForTask } from '../../../src/core/procedures/for-task.ts'
import { idleTime } from '../../../src/core/procedures/idle-time.ts'
import { lanesTogether } from '../../../src/core/procedures/lanes.ts'
import { planRun } from '../../../src/core/procedures/plan.ts'

const kind = (id: string) => kindById(id)!

describe('the time of a task in which no hands are needed', () => {
  it('is its soak, beside the minutes of the hands', () => {
    const { idleMin, holds, coolMin } = idleTime('screen-soak', kind('c2'), 10)
    expect(idleMin).to.be.within(18, 22)
    expect({ holds, coolMin }).to.deep.equal({ holds: false, coolMin: 0 })
  })

  it('is not counted twice where the catalogue has it already', () => {
    expect(idleTime('screen-soak', kind('c2'), 60).idleMin).to.equal(0)
  })

  it('leaves out what nobody waits for: a boiler that cools is asked for cold', () => {
    expect(idleTime('level-probe-clean', kind('c2'), 15)).to.deep.equal({ idleMin: 0, holds: false, coolMin: 120 })
  })

  it('goes by the procedure that does this and nothing else', () => {
    // A whole service descales too: two hours of it, with the unit cooled in the middle.
    for (const id of ['sr', 'st']) {
      const { idleMin, holds, coolMin } = idleTime('descale', kind(id), 40)
      expect({ holds, coolMin }, id).to.deep.equal({ holds: true, coolMin: 0 })
      expect(idleMin, id).to.be.below(30)
    }
  })

  it('is spent there where only a block cools, and holds the machine', () => {
    const { idleMin, holds, coolMin } = idleTime('boiler-passage-clean', kind('pd'), 30)
    expect(coolMin).to.equal(0)
    expect(idleMin).to.be.above(20)
    expect(holds).to.equal(true)
  })

  it('is none where no procedure is written, or one that does far more', () => {
    const none = { idleMin: 0, holds: false, coolMin: 0 }
    expect(idleTime('unheard-of', kind('c2'), 10)).to.deep.equal(none)
    expect(idleTime('brew-unit-grease', kind('st'), 10)).to.deep.equal(none)
  })

  it('makes no task of any kind longer than its procedure takes, or than its own hands where these are slower', () => {
    for (const one of kinds)
      for (const { id, minutes } of one.tasks) {
        const found = procedureForTask(id, one)
        const { idleMin, coolMin } = idleTime(id, one, minutes)
        const whole = found ? planRun(lanesTogether([found], one)).totalS / 60 : 0
        expect(minutes + idleMin + coolMin, `${one.id} ${id}`).to.be.at.most(Math.max(whole + 1, minutes + coolMin))
      }
  })
})
