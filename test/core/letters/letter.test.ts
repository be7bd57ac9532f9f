import { expect } from 'chai'
import { isForEver, triedAgainAt } from '../../../src/core/letters/letter.ts'

const minute = 60_000
const day = 24 * 60 * minute

describe('a letter that could not be handed over', () => {
  it('is tried again soon, then hourly, and given up after four days (RFC 5321, 4.5.4.1)', () => {
    const at: number[] = []
    for (let now = 0, tries = 1; ; tries += 1) {
      const next = triedAgainAt({ tries, since: 0, now })
      if (next === null) break
      expect(next).to.be.greaterThan(now)
      at.push(next)
      now = next
    }
    expect(at.slice(0, 5).map((ms) => ms / minute)).to.deep.equal([1, 6, 21, 51, 111])
    expect(at.at(-1)!).to.be.within(4 * day - 60 * minute, 4 * day)
  })

  it('is refused for ever by a reply that begins with 5, and by no other (RFC 5321, 4.2.1)', () => {
    for (const code of [500, 550, 554]) expect(isForEver(code), String(code)).to.equal(true)
    for (const code of [undefined, 0, 250, 354, 421, 450, 499, 600])
      expect(isForEver(code), String(code)).to.equal(false)
  })
})
