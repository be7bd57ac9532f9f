import { expect } from 'chai'
import { bookOf } from '../../src/core/faults/books.ts'
import { networkOf } from '../../src/core/faults/network.ts'
import { elseShare } from '../../src/core/faults/shares.ts'
import { kindById } from '../../src/core/kinds/index.ts'
import { haloPath, suspectedAt } from '../../src/islands/fault/halo.ts'
import { hangingFor, keptStations } from '../../src/islands/machine/lens-path.ts'

describe('suspicion on the path', () => {
  const book = bookOf('sr')!
  const network = networkOf(book, 'short-cup')
  const { prior } = network

  it('is added up where it lies, and comes to all of the book with what lies outside', () => {
    const { at, outside } = suspectedAt(book, prior)
    const inside = [...at.values()].reduce((sum, p) => sum + p, 0)
    // What is in no book lies nowhere.
    expect(inside + outside).to.be.closeTo(1 - elseShare(network, prior), 1e-9)
    const ringAndScreen = book.faults.reduce(
      (sum, { station }, i) => sum + (station === 'brew-unit' ? prior[i]! : 0),
      0,
    )
    expect(at.get('brew-unit')).to.be.closeTo(ringAndScreen, 1e-12)
  })

  /** The points of a curve, as it is drawn. */
  const points = (path: string) =>
    path
      .slice(1, -1)
      .split('L')
      .map((point) => point.split(' ').map(Number) as [number, number])

  it('is a curve as wide as the suspicion, the same above the line as below it', () => {
    const drawn = points(haloPath([{ x: 100, p: 0.5 }], 50, 40, 20))
    const ys = drawn.map(([, y]) => y)
    expect(Math.min(...ys)).to.be.closeTo(50 - 20, 0.5)
    expect(Math.max(...ys)).to.be.closeTo(50 + 20, 0.5)
    const upper = drawn.slice(0, drawn.length / 2)
    const lower = drawn.slice(drawn.length / 2).toReversed()
    upper.forEach(([x, y], i) => {
      expect(lower[i]![0]).to.equal(x)
      expect(y + lower[i]![1]).to.be.closeTo(100, 0.21)
    })
  })

  it('never leaves its band, and is nothing where nobody is suspected', () => {
    const crowded = points(
      haloPath(
        [0, 5, 10].map((x) => ({ x, p: 0.9 })),
        0,
        40,
        20,
      ),
    )
    for (const [, y] of crowded) expect(Math.abs(y)).to.be.at.most(40)
    expect(haloPath([{ x: 10, p: 0.001 }], 0, 40, 20)).to.equal('')
    expect(haloPath([], 0, 40, 20)).to.equal('')
  })
})

describe('what a folded path keeps of a search', () => {
  const kind = kindById('sr')!
  const fault = {
    at: new Map([
      ['nozzle', 0.6],
      ['pump', 0.03],
      ['board', 0.01],
    ]),
    next: 'board',
    done: [],
  }
  const kept = (lens: string, view: typeof fault | null) =>
    [...keptStations({ lens, standings: [], key: null, kind, fault: view })].sort()

  it('who is suspected, and where the next test is', () => {
    expect(kept('fault', fault)).to.deep.equal(['board', 'nozzle'])
  })

  it('under water what heats and what the water comes by', () => {
    expect(kept('water', null)).to.include.members(['tank', 'thermoblock'])
    expect(kept('wear', null)).to.deep.equal([])
  })

  it('says beside a station what part of all suspicion it has, and nothing of what has none', () => {
    const hanging = hangingFor({
      lens: 'fault',
      bundle: { ledgers: {} } as Parameters<typeof hangingFor>[0]['bundle'],
      standings: [],
      kind,
      work: [],
      fault: { ...fault, at: new Map([...fault.at, ['tray', 0.001]]) },
      today: '2026-11-26',
    })
    expect(hanging.get('nozzle')!.words).to.equal('60 %')
    expect(hanging.get('tray')).to.not.have.property('words')
  })
})
