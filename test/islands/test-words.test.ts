import { expect } from 'chai'
import { doubtCleared } from '../../src/islands/fault/test-words.ts'

describe('what a test is said to clear up', () => {
  // Two bits of doubt among four equal faults: Shannon 1948, A mathematical theory of communication, section 6.
  const four = Float64Array.of(0.25, 0.25, 0.25, 0.25)
  it('is a share of what is not known yet', () => {
    expect(doubtCleared(1, four)).to.equal('50 % of the doubt')
    expect(doubtCleared(2, four)).to.equal('100 % of the doubt')
    expect(doubtCleared(0, four)).to.equal('0 % of the doubt')
  })
  it('is never more than all of it, nor anything where nothing is in doubt', () => {
    expect(doubtCleared(2.0000001, four)).to.equal('100 % of the doubt')
    expect(doubtCleared(0, Float64Array.of(1, 0))).to.equal('0 % of the doubt')
    expect(doubtCleared(0.001, four)).to.equal('under 1 % of the doubt')
  })
})
