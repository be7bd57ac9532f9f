import { expect } from 'chai'
import { coldWords, soakWords } from '../../src/islands/round/SoakAndCold.tsx'

const task = (name: string, minutes: number, more: object = {}) => ({
  name,
  machineName: 'Left bar',
  subjectId: 'm',
  minutes,
  coolMin: 0,
  ...more,
})

describe('what is said of soaks, and of machines that must be cold', () => {
  it('is what the soak is used for, and what is left of it to wait for', () => {
    const screens = task('Screens', 10, { idleMin: 20 })
    expect(soakWords([screens, task('Gaskets', 25)])).to.equal('20 min of soaking and programmes used for the rest.')
    expect(soakWords([screens])).to.equal('20 min of waiting for them, with nothing else to do here.')
    expect(soakWords([screens, task('Tray', 5)])).to.equal(
      '5 min of soaking and programmes used for the rest. 15 min of waiting for them, with nothing else to do here.',
    )
  })

  it('is nothing where nothing soaks, or hardly', () => {
    expect(soakWords([])).to.equal('')
    expect(soakWords([task('Gaskets', 25), task('Tip', 5, { idleMin: 2 })])).to.equal('')
  })

  it('asks for it cold before, by name', () => {
    expect(coldWords([task('Gaskets', 25)])).to.equal('')
    expect(coldWords([task('Level probe', 15, { coolMin: 120 }), task('Gaskets', 25)])).to.equal(
      'Level probe, Left bar: ask them to have it off about 2 h before (from memory).',
    )
  })
})
