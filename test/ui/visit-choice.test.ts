import { expect } from 'chai'
import { effectWords } from '../../src/islands/round/weeks/TaskChoice.tsx'
import { effectOf, standing } from '../../src/islands/round/weeks/visit-choice.ts'
import type { WeeksTask } from '../../src/views/weeks-ahead.ts'

const task = (key: string, more: Partial<WeeksTask> = {}): WeeksTask => ({
  subjectId: 'm',
  subjectKind: 'machine',
  waits: null,
  key,
  name: key,
  machineName: 'Left bar',
  coolMin: 0,
  due: '2026-12-09',
  minutes: 20,
  late: 'short',
  besides: false,
  unused: 0.1,
  earlyMin: 6,
  lateMin: 0,
  chanceDue: 0.1,
  elsewhere: null,
  ...more,
})

describe('what is left out of a visit, and what is taken with it', () => {
  const gasket = task('gasket', { elsewhere: { on: '2027-01-11', costMin: 2 } })
  const screen = task('screen', { elsewhere: { on: '2027-01-11', costMin: 14 } })
  const softener = task('softener', { minutes: 25 })
  const burrs = task('burrs', { minutes: 30, earlyMin: 10, elsewhere: { on: '2027-01-11', costMin: 4 } })
  const valley = { tasks: [gasket, screen, softener], left: [burrs], stopMin: 15 }

  it('changes nothing as it stands, and leaves out what nobody arranged', () => {
    expect(standing(valley)).to.deep.equal(valley.tasks)
    expect(standing({ tasks: [gasket, task('own', { besides: true })] })).to.deep.equal([gasket])
    expect(effectWords(effectOf(valley, valley.tasks))).to.equal('')
  })

  it('says the minutes and what it costs over all, each task against the visit that has it else', () => {
    // 2 min there for 6 here: it is done nearer its day.
    expect(effectWords(effectOf(valley, [screen, softener]))).to.equal(
      'The visit takes 60 min instead of 80. It saves 4 min over all.',
    )
    expect(effectWords(effectOf(valley, [gasket, softener]))).to.equal(
      'The visit takes 60 min instead of 80. It costs 8 min more over all.',
    )
    // Burrs cost 10 here and 4 there.
    expect(effectWords(effectOf(valley, [...valley.tasks, burrs]))).to.equal(
      'The visit takes 110 min instead of 80. It costs 6 min more over all.',
    )
    expect(effectWords(effectOf(valley, [gasket, burrs, softener]))).to.equal(
      'The visit takes 90 min instead of 80. It costs 14 min more over all.',
    )
  })

  it('names what no other visit has instead of guessing what that costs', () => {
    expect(effectWords(effectOf(valley, [gasket, screen]))).to.equal(
      'The visit takes 55 min instead of 80. No other visit has softener.',
    )
    expect(effectWords(effectOf(valley, [gasket]))).to.equal(
      'The visit takes 35 min instead of 80. It costs 8 min more over all. No other visit has softener.',
    )
  })
})
