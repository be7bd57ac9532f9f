import { expect } from 'chai'
import { waitsWords } from '../../src/islands/round/waits-words.ts'
import { costFigure, costWords } from '../../src/islands/round/weeks/cost-words.ts'
import { movedWords } from '../../src/islands/round/weeks/moved-words.ts'
import { dayShort } from '../../src/ui/format.ts'

describe('the words of a plan', () => {
  it('say why a visit moved, or that it could not stay', () => {
    const moved = { from: '2026-12-08', to: '2026-12-10', savesMin: 22 }
    expect(movedWords(moved)).to.equal('moved from 8 Dec to 10 Dec: saves 22 min')
    expect(movedWords({ ...moved, savesMin: null })).to.equal(
      'moved from 8 Dec to 10 Dec: closed, or nobody who could go then',
    )
    expect(movedWords({ ...moved, savesMin: -1 })).to.equal(
      'moved from 8 Dec to 10 Dec: it goes with others that moved',
    )
    expect(movedWords({ ...moved, to: null })).to.equal('no longer on 8 Dec: saves 22 min')
  })

  it('say what a task waits for, and ask once its day has come', () => {
    const words = (until?: string) => waitsWords({ for: 'part', ...(until && { until }) }, '2026-11-26', dayShort)
    expect(words('2026-12-03')).to.equal('waits for a part until 3 Dec')
    expect(words('2026-11-26')).to.equal('waited for a part until 26 Nov: is it there?')
    expect(words()).to.equal('waits for a part, nobody knows how long')
    expect(waitsWords({ for: 'yes' }, '2026-11-26', dayShort)).to.equal('waits for their yes, nobody knows how long')
  })

  it('say a cost in minutes, or in money where the firm wants that', () => {
    expect(costWords(12.4, null)).to.equal('12 min')
    expect(costWords(12.4, 1.5)).to.equal('€19')
    expect(costFigure(90, null)).to.equal('90')
  })
})
