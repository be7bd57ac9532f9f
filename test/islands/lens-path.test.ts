import { expect } from 'chai'
import { kinds } from '../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../src/core/kinds/kind.ts'
import type { Standing } from '../../src/core/standing/standing.ts'
import type { FaultView } from '../../src/islands/fault/FaultLens.tsx'
import { foldedRails, hangingFor, keptStations, spokenStations } from '../../src/islands/machine/lens-path.ts'
import { layOut, railName } from '../../src/islands/path/layout.ts'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'

const c2 = withOptions(kinds.find(({ id }) => id === 'c2')!, new Map())
const due = (station: string, key: string, on: string): Standing =>
  ({ key, task: key, name: key, station, uses: [], due: { p10: on, p50: on, p90: on } }) as unknown as Standing
const standings = [
  due('group', 'gasket@1', '2026-12-01'),
  due('pump', 'pump', '2027-03-01'),
  due('board', 'test', '2027-05-01'),
]
const none = new Set<string>()
const fault = (at: [string, number][], next: string | null, done: string[] = []): FaultView => ({
  at: new Map(at),
  next,
  done: done.map((station, i) => ({ station, n: i + 1 })),
})
const bundle = { machine: { kind: 'c2' }, ledgers: { machine: [] } } as unknown as MachineBundle
const hanging = (lens: string, more: { work?: string[]; fault?: FaultView | null; standings?: Standing[] } = {}) =>
  hangingFor({
    lens,
    bundle,
    standings: more.standings ?? standings,
    kind: c2,
    work: more.work ?? [],
    fault: more.fault ?? null,
    today: '2026-11-28',
  })

describe('stations that have something to say', () => {
  it('are those something is due at, where it is worn', () => {
    expect(spokenStations('wear', hanging('wear'), null)).to.deep.equal(new Set(['group', 'pump', 'board']))
  })

  it('are those that are worked on, where work is chosen', () => {
    expect(spokenStations('work', hanging('work', { work: ['keys', 'group'] }), null)).to.deep.equal(
      new Set(['keys', 'group']),
    )
    expect(spokenStations('work', hanging('work'), null)).to.deep.equal(none)
  })

  it('are those suspected, tried, or tried next, where a fault is sought', () => {
    const view = fault(
      [
        ['pump', 0.4],
        ['heater', 0.001],
      ],
      'mains',
      ['cup'],
    )
    const spoken = spokenStations('fault', hanging('fault', { fault: view }), view)
    expect([...spoken].sort()).to.deep.equal(['cup', 'mains', 'pump'])
  })

  it('are those touched, in the ledger: “not touched” says nothing', () => {
    expect(spokenStations('ledger', hanging('ledger'), null)).to.deep.equal(none)
  })
})

describe('rails that carry no word', () => {
  const railsOf = (kind: Kind) => kind.lines.filter(({ lane }) => lane >= 2)

  it('fold into a line that names them and counts what stands on them', () => {
    expect(foldedRails(c2, none, none).map(({ name }) => name)).to.deep.equal([
      'electrical and control',
      'supply, before the path',
    ])
    expect(foldedRails(c2, none, new Set(['board'])).map(({ name }) => name)).to.deep.equal(['supply, before the path'])
    expect(foldedRails(c2, none, new Set(['board', 'reducer']))).to.deep.equal([])
  })

  it('count only what the machine has', () => {
    const all = foldedRails(c2, none, none).find(({ name }) => name.startsWith('supply'))!
    const less = foldedRails(c2, new Set(['leak-stop']), none).find(({ name }) => name.startsWith('supply'))!
    expect(all.count - less.count).to.equal(1)
    const gone = new Set(railsOf(c2).find(({ medium }) => medium !== 'control')!.stations)
    expect(foldedRails(c2, gone, none).map(({ name }) => name)).to.deep.equal(['electrical and control'])
  })

  it('are drawn, or said, never neither: of every kind, whatever speaks', () => {
    for (const plain of kinds) {
      const kind = withOptions(plain, new Map())
      for (const station of ['', ...kind.stations.map(({ id }) => id)]) {
        const spoken = new Set(station ? [station] : [])
        const drawn = layOut(kind, none, undefined, { rows: 0, spoken }).rails.map(({ words }) => words)
        const said = foldedRails(kind, none, spoken).map(({ name }) => name)
        expect([...drawn, ...said].sort(), `${kind.id} ${station}`).to.deep.equal(railsOf(kind).map(railName).sort())
      }
    }
  })

  it('leave the path above them where it was', () => {
    for (const plain of kinds) {
      const kind = withOptions(plain, new Map())
      const whole = layOut(kind)
      const folded = layOut(kind, none, undefined, { rows: 0, spoken: none })
      const at = (layout: typeof whole) =>
        layout.stations
          .filter(({ hangs }) => hangs !== 'rail')
          .map(({ station, at: place }) => [station.id, place.x, place.y])
      expect(at(folded), kind.id).to.deep.equal(at(whole))
      expect(folded.width, kind.id).to.equal(whole.width)
      expect(folded.height, kind.id).to.be.below(whole.height + 1)
      expect(
        folded.stations.some(({ hangs }) => hangs === 'rail'),
        kind.id,
      ).to.equal(false)
    }
  })

  it('stand nearer the path the less hangs from it', () => {
    const height = (rows: number) => layOut(c2, none, undefined, { rows, spoken: new Set(['board']) }).height
    expect(height(0)).to.be.below(height(1))
    expect(height(1)).to.be.below(height(2))
    expect(layOut(c2).rows).to.equal(c2.groups)
  })
})

describe('a folded path keeps', () => {
  const kept = (lens: string, more: { key?: string | null; fault?: FaultView | null } = {}) =>
    keptStations({ lens, standings, key: more.key ?? null, kind: c2, fault: more.fault ?? null })

  it('what is due first, and what is chosen', () => {
    expect([...kept('wear')]).to.deep.equal(['group', 'pump'])
    expect([...kept('wear', { key: 'test' })]).to.deep.equal(['group', 'pump', 'board'])
  })

  it('where chalk settles, where water is treated', () => {
    for (const { station } of c2.vessels) expect(kept('water').has(station)).to.equal(true)
    expect(kept('water').has('softener')).to.equal(true)
  })

  it('what is suspected with more than a word, and the next test', () => {
    const view = fault(
      [
        ['pump', 0.5],
        ['jet', 0.01],
        ['group', 0.05],
      ],
      'mains',
    )
    expect([...kept('fault', { fault: view })].sort()).to.deep.equal(['group', 'pump'])
    const next = fault(
      [
        ['pump', 0.5],
        ['jet', 0.01],
      ],
      'jet',
    )
    expect([...kept('fault', { fault: next })].sort()).to.deep.equal(['jet', 'pump'])
  })
})

describe('what hangs from a station', () => {
  it('is its lifelines, soonest among them, where it is worn', () => {
    const two = [...standings, due('group', 'screen', '2026-12-20')]
    expect(
      hanging('wear', { standings: two })
        .get('group')!
        .standings.map(({ key }) => key),
    ).to.deep.equal(['gasket@1', 'screen'])
  })

  it('is a share of suspicion in a hundred; what is as good as cleared is left blank', () => {
    const words = hanging('fault', {
      fault: fault(
        [
          ['pump', 0.396],
          ['jet', 0.004],
        ],
        null,
      ),
    })
    expect(words.get('pump')!.words).to.equal('40 %')
    expect(words.get('jet')!.words).to.equal(undefined)
  })
})
