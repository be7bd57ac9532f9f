import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import { gradeWordsOf } from '../../../src/core/wear/grade-words.ts'

// How parts are spoken of: common practice, no source.
const worst: [part: string, grade: number, said: string][] = [
  ['group-gasket', 3, 'cracked'],
  ['screen-gasket', 2, 'hardening'],
  ['shower-screen', 3, 'mostly blocked'],
  ['inlet-strainer', 4, 'blocked or torn'],
  ['screen-screw', 4, 'failed'],
  ['burrs', 0, 'sharp'],
  ['carrier', 2, 'some play or noise'],
  ['inlet-hose', 4, 'leaks'],
  ['three-way-valve', 3, 'drips or sticks'],
  ['three-way-coil', 3, 'burnt or loose'],
  ['pump-head', 3, 'much play or weak'],
  ['pump', 2, 'some play or noise'],
  ['control-board', 3, 'burnt or loose'],
  ['basket', 2, 'worn'],
  ['something-of-our-own', 2, 'worn'],
]

describe('how a grade is called', () => {
  for (const [part, grade, said] of worst)
    it(`${part}, ${grade}: ${said}`, () => {
      expect(gradeWordsOf(part)[grade]).to.equal(said)
    })

  it('only rubber hardens, and only what water or coffee passes is blocked', () => {
    for (const { parts } of kinds)
      for (const { id } of parts) {
        const words = gradeWordsOf(id).join(' ')
        if (/screen$|screens$|strainer|jet$/.test(id)) expect(words, id).not.to.match(/harden|crack/)
        if (/gasket|seal$|seals$/.test(id)) expect(words, id).to.contain('hardening')
        if (/motor|capacitor|board/.test(id)) expect(words, id).not.to.match(/block|harden/)
      }
  })
})
