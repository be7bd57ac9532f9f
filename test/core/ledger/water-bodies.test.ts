import { expect } from 'chai'
import { entryKinds } from '../../../src/core/ledger/entry-kinds.ts'
import type { SettingName } from '../../../src/core/ledger/setting-kinds.ts'
import { figureById, figures } from '../../../src/core/trade/figures.ts'
import { issuesOf } from './told.ts'

const settingIssues = (setting: SettingName, body: object): string[] => issuesOf('setting', { setting, ...body })

describe('what a pen or the works say', () => {
  const pen = (body: Record<string, unknown>) => issuesOf('water-figures', { point: 'raw', by: 'pen', ...body })

  it('is taken with one figure or all of them', () => {
    expect(pen({ pH: 7.4 })).to.deep.equal([])
    expect(
      pen({
        pH: 7.4,
        testTempC: 12,
        conductivityUsCm: 640,
        calciumMgL: 270,
        chlorideMgL: 24,
        freeChlorineMgL: 0.02,
        totalChlorineMgL: 0.05,
        silicaMgL: 8,
        ironMgL: 0.01,
      }),
    ).to.deep.equal([])
  })

  it('is refused without any, and at its field where a figure cannot be', () => {
    expect(pen({})[0]).to.include('needs at least one figure')
    for (const [field, value] of [
      ['pH', 15],
      ['pH', -1],
      ['testTempC', 140],
      ['conductivityUsCm', -5],
      ['calciumMgL', 9000],
      ['chlorideMgL', '24'],
      ['silicaMgL', Number.NaN],
    ] as const)
      expect(pen({ [field]: value })[0], `${field} ${value}`).to.match(new RegExp(`^${field}:`))
    expect(pen({ pH: 7, nitrate: 4 })[0]).to.include('nitrate')
    expect(issuesOf('water-figures', { point: 'tank', by: 'pen', pH: 7 })[0]).to.match(/^point:/)
    expect(issuesOf('water-figures', { point: 'raw', by: 'hearsay', pH: 7 })[0]).to.match(/^by:/)
  })

  it('is about water: a site’s, a zone’s, a softener’s', () => {
    expect(entryKinds['water-figures'].about).to.deep.equal(['site', 'supply', 'softener'])
    expect(entryKinds['salt-added'].about).to.deep.equal(['softener'])
  })
})

describe('what a firm’s own repairs showed', () => {
  it('is adopted from one repair on, and not from none', () => {
    const adopted = (...counts: object[]) => settingIssues('causes', { kind: 'c2', counts })
    expect(adopted({ fault: 'group-gasket', n: 1 })).to.deep.equal([])
    expect(adopted({ fault: 'group-gasket', n: 0 })[0]).to.match(/counts\[0\]\.n: must be at least 1/)
    expect(adopted()[0]).to.match(/^counts:/)
  })
})

describe('what a descale is noted with', () => {
  it('may be nothing, or its acid and what the spent solution held', () => {
    expect(issuesOf('descaled', { task: 'descale' })).to.deep.equal([])
    expect(
      issuesOf('descaled', { task: 'descale', acid: 'citric', grams: 40, spent: { hardnessMgL: 12_000, litres: 1.5 } }),
    ).to.deep.equal([])
  })

  it('needs both halves of the spent solution', () => {
    expect(issuesOf('descaled', { task: 'descale', spent: { hardnessMgL: 12_000 } })[0]).to.match(/^spent\.litres:/)
    expect(issuesOf('descaled', { task: 'descale', spent: { litres: 1 } })[0]).to.match(/^spent\.hardnessMgL:/)
    expect(issuesOf('descaled', { task: 'descale', spent: { hardnessMgL: 1, litres: 0 } })[0]).to.match(
      /^spent\.litres:/,
    )
  })
})

describe('a figure set in place of one from memory', () => {
  it('must be one of the list, or of a vessel', () => {
    expect(settingIssues('figure', { figure: 'brew-stick', value: 0.2 })).to.deep.equal([])
    expect(settingIssues('figure', { figure: 'boiler.limitMm', value: 0.8 })).to.deep.equal([])
    for (const odd of ['brew', 'boiler.colour', 'boiler.waterL.x', '.waterL', 'Boiler.waterL', 'constructor', ''])
      expect(settingIssues('figure', { figure: odd, value: 1 })[0], odd).to.match(/^figure:/)
  })

  it('must be what can be meant', () => {
    expect(settingIssues('figure', { figure: 'brew-stick', value: 1.4 })[0]).to.equal(
      'value: must be between 0.001 and 1',
    )
    expect(settingIssues('figure', { figure: 'boiler.limitMm', value: 0 })[0]).to.equal(
      'value: must be between 0.01 and 20',
    )
    expect(settingIssues('figure', { figure: 'residual', value: 0 })).to.deep.equal([])
  })

  it('has a range that holds its own usual value, for every one of the list', () => {
    for (const [id, figure] of Object.entries(figures)) {
      expect(figure.value, id).to.be.within(figure.low, figure.high)
      expect(figure.low, id).to.be.at.least(figure.least)
      expect(figure.high, id).to.be.at.most(figure.most)
      expect(figure.about.length, id).to.be.above(10)
      expect(figureById(id)).to.equal(figure)
      expect(settingIssues('figure', { figure: id, value: figure.value })).to.deep.equal([])
    }
  })
})

describe('a machine’s hardness settings', () => {
  const set = (classes: unknown, chosen = 1) => settingIssues('hardness-setting', { classes, chosen })
  const three = [{ upToDh: 7, litres: 100 }, { upToDh: 14, litres: 50 }, { litres: 25 }]

  it('are two to five, from soft to hard, the last without an end', () => {
    expect(set(three, 3)).to.deep.equal([])
    expect(set([{ litres: 25 }])[0]).to.match(/^classes/)
    expect(set([...three, ...three])[0]).to.match(/^classes/)
    expect(set([{ upToDh: 14, litres: 50 }, { upToDh: 7, litres: 100 }, { litres: 25 }])[0]).to.include(
      'from soft to hard',
    )
    expect(
      set([
        { upToDh: 7, litres: 100 },
        { upToDh: 14, litres: 50 },
      ])[0],
    ).to.include('the last without an end')
    expect(set([{ litres: 100 }, { litres: 50 }])[0]).to.include('from soft to hard')
  })

  it('have one of them chosen', () => {
    expect(set(three, 4)[0]).to.match(/^chosen/)
    expect(set(three, 0)[0]).to.match(/^chosen/)
  })
})

describe('other settings of water', () => {
  for (const [name, setting, body, wrong] of [
    [
      'a softener that regenerates itself',
      'exchanger',
      { resinL: 10, regenerates: 'itself', saltGPerL: 120, saltTankKg: 25 },
      null,
    ],
    ['a softener that does neither', 'exchanger', { resinL: 10, regenerates: 'sometimes' }, 'regenerates'],
    ['a softener without resin', 'exchanger', { resinL: 0 }, 'resinL'],
    ['what a meter showed', 'budget-factor', { factor: 1.12 }, null],
    ['a meter that cannot be', 'budget-factor', { factor: 12 }, 'factor'],
    [
      'a budget found by a container',
      'budget',
      { mlPerDrink: 131, litresPerOpenDay: 0, filled: { litres: 18, drinks: 137 } },
      null,
    ],
    ['half a container', 'budget', { mlPerDrink: 131, litresPerOpenDay: 0, filled: { litres: 18 } }, 'filled.drinks'],
    ['prices, any of them', 'prices', { saltPerKg: 0.6 }, null],
    ['a price below nothing', 'prices', { saltPerKg: -1 }, 'saltPerKg'],
  ] as const)
    it(`${wrong ? 'refuse' : 'take'} ${name}`, () => {
      const issues = settingIssues(setting, body)
      if (wrong) expect(issues[0]).to.match(new RegExp(`^${wrong.replace('.', '\\.')}:`))
      else expect(issues).to.deep.equal([])
    })
})
