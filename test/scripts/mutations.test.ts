import { expect } from 'chai'
import { mutationsOf, picked } from '../../scripts/mutations.ts'

describe('lines spoilt on purpose', () => {
  const spoilt = (line: string) => mutationsOf('a.ts', line).map(({ is }) => is.trim())

  it('are slips of an operator or a figure, one at a time', () => {
    expect(spoilt('  return a * b')).to.deep.equal(['return a / b'])
    expect(spoilt('  if (x <= 3 && y) return')).to.deep.equal([
      'if (x < 3 && y) return',
      'if (x <= 3 || y) return',
      'if (x <= 6 && y) return',
    ])
    expect(spoilt('  const most = Math.max(0, left)')).to.deep.equal([
      'const most = Math.min(0, left)',
      'const most = Math.max(1, left)',
    ])
  })

  it('are none where nothing is reckoned', () => {
    for (const line of [
      '// a * b',
      " * @example f(2) // '4'",
      "import { a } from './b.ts'",
      '  days: number',
      "  what: 'Chalk < 2 mm',",
      '}',
    ])
      expect(spoilt(line), line).to.deep.equal([])
  })

  it('are the same for a seed, one a file, and others for another', () => {
    const all = Array.from({ length: 30 }, (_, i) => mutationsOf(`f${i}.ts`, '  return a * b\n  return c + 7')).flat()
    const some = picked(all, 10, 1)
    expect(picked([...all].reverse(), 10, 1)).to.deep.equal(some)
    expect(new Set(some.map(({ path }) => path)).size).to.equal(10)
    expect(picked(all, 10, 2)).to.not.deep.equal(some)
  })
})
