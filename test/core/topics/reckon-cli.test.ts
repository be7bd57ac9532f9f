import { spawnSync } from 'node:child_process'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Ajv2020 from 'ajv/dist/2020.js'
import { expect } from 'chai'
import { topics } from '../../../src/core/topics/index.ts'

const program = join(import.meta.dirname, '../../../bin/reckon')

/** Runs the program as a stranger would, from another folder. */
function reckon(args: string[], input?: unknown): { code: number; out: string; lines: string[] } {
  const text = input === undefined ? '' : typeof input === 'string' ? input : JSON.stringify(input)
  const ran = spawnSync(program, args, { input: text, encoding: 'utf8', cwd: tmpdir() })
  return { code: ran.status ?? -1, out: ran.stdout, lines: ran.stderr.split('\n').filter(Boolean) }
}

/** Answers in this process: the program adds only reading and writing. */
function ask(name: string, input: unknown): { result: Record<string, unknown>; warnings?: string[] } {
  const asked = topics.find((topic) => topic.name === name)!.ask(input)
  if (!asked.ok) throw new Error(JSON.stringify(asked.issues))
  return asked.answer
}

const problems = (name: string, input: unknown): string[] => {
  const asked = topics.find((topic) => topic.name === name)!.ask(input)
  return asked.ok ? [] : asked.issues.map(({ path, message }) => `${path}: ${message}`)
}

const example = (name: string, change: Record<string, unknown> = {}) => ({
  ...topics.find((topic) => topic.name === name)!.example,
  ...change,
})

describe('bin/reckon', () => {
  it('lists its topics', () => {
    const { code, out } = reckon([])
    expect(code).to.equal(0)
    for (const name of ['hardness', 'dropkit', 'usage', 'wear', 'softener', 'cartridge', 'blend'])
      expect(out).to.match(new RegExp(`^${name} `, 'm'))
  })

  it('answers its own examples, from any folder', () => {
    const shown = reckon(['wear', '--example'])
    const answered = reckon(['wear'], shown.out)
    expect(answered.code).to.equal(0)
    const { result, working } = JSON.parse(answered.out)
    expect(result).to.have.keys('due', 'governing', 'shares')
    expect(working).to.be.an('array').that.has.length.above(3)
  })

  it('complains on standard error, a line a problem, with the field and the value', () => {
    const { code, out, lines } = reckon(['hardness'], { value: '19', unit: 'dX', extra: [1] })
    expect(code).to.equal(2)
    expect(out).to.equal('')
    expect(lines.sort()).to.deep.equal([
      'extra: [1] is not a field here',
      'unit: "dX" must be one of mmolL, mgL, dH, fH, gpg, clark, caMgL',
      'value: "19" must be a number',
    ])
  })

  it('never prints a number that is none', () => {
    expect(reckon(['hardness'], '{"value": 1e999, "unit": "dH"}')).to.deep.include({
      code: 2,
      lines: ['value: Infinity must be a finite number'],
    })
    expect(reckon(['hardness'], '{"value": 1e308, "unit": "dH"}').code).to.equal(2)
    expect(reckon(['hardness'], '{"value": null, "unit": "dH"}').lines).to.deep.equal(['value: null must not be null'])
  })

  it('says what is not JSON, not a topic, not an option', () => {
    expect(reckon(['hardness'], 'rubbish').lines[0]).to.match(/^input: is not JSON/)
    expect(reckon(['hardness'], '[]').lines[0]).to.match(/^input: \[\] must be an object/)
    expect(reckon(['nonsense']).lines[0]).to.match(/^topic: "nonsense" is unknown/)
    expect(reckon(['hardness', '--wrong']).lines[0]).to.match(/^option: "--wrong" is unknown/)
  })

  it('prints schemas that hold for its examples', () => {
    const { code, out } = reckon(['usage', '--schema'])
    expect(code).to.equal(0)
    expect(JSON.parse(out)).to.include({
      $schema: 'https://json-schema.org/draft/2020-12/schema',
      type: 'object',
      additionalProperties: false,
    })
  })
})

describe('JSON Schemas of the topics, by an independent validator', () => {
  const ajv = new Ajv2020({ strict: false, formats: { date: /^\d{4}-\d\d-\d\d$/ } })
  for (const topic of topics) {
    it(topic.name, async () => {
      const { toJsonSchema } = await import('../../../src/core/parse/to-json-schema.ts')
      const valid = ajv.compile({ ...toJsonSchema(topic.schema, topic.name), ...topic.together })
      expect(valid(topic.example), JSON.stringify(valid.errors)).to.equal(true)
      expect(valid({ ...topic.example, extra: 1 })).to.equal(false)
      for (const field of Object.keys(topic.example)) {
        const { [field]: _, ...without } = topic.example
        expect(valid(without), field).to.equal(topic.ask(without).ok)
        expect(valid({ ...topic.example, [field]: 'text of the wrong kind' }), field).to.equal(false)
      }
    })
  }
})

describe('topics', () => {
  it('hardness: the same in each unit', () => {
    const { result } = ask('hardness', { value: 10, unit: 'dH' })
    expect(result).to.deep.include({ dH: 10 })
    expect(result.mgL).to.be.closeTo(178.48, 1e-9)
    expect(result.mmolL).to.be.closeTo(1.7832, 1e-3)
    expect(result.fH).to.be.closeTo(17.848, 1e-9)
    expect(result.clark).to.be.closeTo(12.52, 0.01)
    expect(result.gpg).to.be.closeTo(10.43, 0.01)
  })

  it('dropkit: value, bounds, and both in mg/L', () => {
    expect(ask('dropkit', { drops: 5, perDrop: 1, unit: 'dH', sampleFactor: 2 }).result).to.deep.include({
      value: 2.5,
      low: 2,
      high: 2.5,
    })
    expect(ask('dropkit', { drops: 0, perDrop: 1, unit: 'dH' }).warnings).to.have.length(1)
    expect(problems('dropkit', { drops: 1.5, perDrop: 1, unit: 'dH' })).to.deep.equal(['drops: must be a whole number'])
    expect(problems('dropkit', { drops: 1, perDrop: 0, unit: 'dH' })).to.deep.equal(['perDrop: must be more than 0'])
    expect(problems('dropkit', { perDrop: 1, unit: 'dH' })).to.deep.equal(['drops: is missing'])
  })

  it('softener: litres and days, and whom to blame', () => {
    const { result } = ask('softener', {
      resinL: 12,
      capacityGPerL: 35,
      reserve: 0.15,
      inMgL: 339,
      outMgL: 18,
      litresPerDay: 46,
    })
    expect(result.litres).to.be.closeTo(1112.15, 0.01)
    expect(result.days).to.be.closeTo(24.18, 0.01)
    expect(problems('softener', example('softener', { outMgL: 339 }))).to.deep.equal([
      'outMgL: must be below inMgL (339)',
    ])
    expect(problems('softener', example('softener', { reserve: 1 }))).to.deep.equal(['reserve: must be below 1'])
    expect(problems('softener', example('softener', { litresPerDay: 0 }))).to.deep.equal([
      'litresPerDay: must be more than 0',
    ])
  })

  it('cartridge: by carbonate hardness, with what it leaves', () => {
    const { result } = ask('cartridge', {
      capacityG: 500,
      rawAlkalinityMgL: 178.48,
      rawHardnessMgL: 250,
      bypass: 0.3,
      litresPerDay: 40,
    })
    expect(result.litres).to.be.closeTo(4002, 1)
    expect(result.days).to.be.closeTo(100.05, 0.05)
    expect(result.outAlkalinityMgL).to.be.closeTo(53.54, 0.01)
    expect(result.outHardnessMgL).to.be.closeTo(125.06, 0.01)
    const soft = ask('cartridge', { capacityG: 500, rawAlkalinityMgL: 0, bypass: 0.3, litresPerDay: 40 })
    expect(soft.result).to.deep.equal({ outAlkalinityMgL: 0 })
    expect(soft.warnings!.length).to.be.above(0)
  })

  it('blend: the share, or the target to blame', () => {
    expect(ask('blend', { rawMgL: 340, permeateMgL: 10, targetMgL: 92.5 }).result.rawShare).to.be.closeTo(0.25, 1e-9)
    expect(problems('blend', { rawMgL: 340, permeateMgL: 10, targetMgL: 400 })[0]).to.match(
      /^targetMgL: is out of reach/,
    )
    expect(problems('blend', { rawMgL: 50, permeateMgL: 50, targetMgL: 50 })[0]).to.match(/^rawMgL: must differ/)
    expect(ask('blend', { rawMgL: 10, permeateMgL: 340, targetMgL: 92.5 }).warnings).to.have.length(1)
  })

  describe('usage', () => {
    const weekly = (counts: number[]) =>
      counts.map((count, i) => ({ date: new Date(Date.UTC(2026, 8, 7 + i * 7)).toISOString().slice(0, 10), count }))
    const base = { today: '2026-11-26', openWeekdays: [1, 2, 3, 4, 5, 6, 7], closures: [], thresholdCount: 10_000 }
    const steady = weekly([0, 350, 700, 1050, 1400, 1750, 2100, 2450, 2800, 3150, 3500])

    it('finds a steady rate and the day it passes the threshold', () => {
      const { result } = ask('usage', { ...base, readings: steady })
      const rate = result.ratePerOpenDay as Record<string, number>
      expect(rate.p50).to.be.closeTo(50, 0.5)
      expect(rate.p10! < rate.p50! && rate.p50! < rate.p90!).to.equal(true)
      // 6,500 to go from 16 November at 50 a day: 130 days.
      expect((result.due as Record<string, string>).p50).to.be.oneOf(['2027-03-25', '2027-03-26', '2027-03-27'])
      expect(result.flags).to.deep.equal([])
    })

    it('flags by date, in the words of its contract', () => {
      const flags = (counts: number[], more = {}) =>
        ask('usage', { ...base, ...more, readings: weekly(counts) }).result.flags
      expect(flags([0, 350, 7000, 1050, 1400])).to.deep.equal([{ date: '2026-09-21', kind: 'outlier' }])
      expect(flags([1000, 1350, 170, 2050, 2400])).to.deep.equal([{ date: '2026-09-21', kind: 'impossible' }])
      expect(flags([9000, 9350, 9700, 50, 400], { rollover: 9999 })).to.deep.equal([
        { date: '2026-09-28', kind: 'rollover' },
      ])
      expect(flags([9000, 9350, 9700, 50, 400])).to.deep.equal([{ date: '2026-09-28', kind: 'reset' }])
    })

    it('is due today once passed, and never where nothing runs', () => {
      const passed = ask('usage', { ...base, readings: steady, thresholdCount: 3000 }).result
      expect(passed.due).to.deep.equal({ p10: '2026-11-26', p50: '2026-11-26', p90: '2026-11-26' })
      const far = ask('usage', { ...base, readings: steady, thresholdCount: 10_000_000 }).result
      expect(far).not.to.have.property('due')
      const none = ask('usage', { ...base, readings: [] })
      expect(none.result).not.to.have.property('due')
      expect(none.warnings).to.have.length(1)
    })

    it('waits out closures, both ends included', () => {
      const due = (closures: { from: string; to: string }[]) =>
        (ask('usage', { ...base, readings: steady, closures }).result.due as Record<string, string>).p50!
      const days = (a: string, b: string) => (Date.parse(b) - Date.parse(a)) / 86_400_000
      expect(days(due([]), due([{ from: '2026-12-01', to: '2026-12-10' }]))).to.equal(10)
    })

    it('takes a prior of one’s own', () => {
      const p50 = (prior: number) =>
        (
          ask('usage', { ...base, readings: [], priorPerOpenDay: prior }).result.ratePerOpenDay as Record<
            string,
            number
          >
        ).p50!
      expect(p50(120) / p50(60)).to.be.closeTo(2, 1e-6)
      // Sixty drinks an open day where nobody says; common practice, no source.
      const unsaid = ask('usage', { ...base, readings: [] }).result.ratePerOpenDay as Record<string, number>
      expect(unsaid.p50).to.be.closeTo(p50(60), 1e-9)
    })

    it('blames the field', () => {
      expect(problems('usage', { ...base, readings: [{ date: '2026-11-27', count: 1 }] })).to.deep.equal([
        'readings[0].date: is after today (2026-11-26)',
      ])
      expect(problems('usage', { ...base, readings: [{ date: '2026-11-31', count: 1 }] })).to.deep.equal([
        'readings[0].date: is not a date (YYYY-MM-DD)',
      ])
      expect(problems('usage', { ...base, readings: [{ date: '2026-11-01', count: -1 }] })).to.deep.equal([
        'readings[0].count: must be at least 0',
      ])
      expect(problems('usage', { ...base, openWeekdays: [8], readings: [] })).to.deep.equal([
        'openWeekdays[0]: must be at most 7',
      ])
      expect(problems('usage', { ...base, openWeekdays: [], readings: [] })).to.deep.equal([
        'openWeekdays: must name at least one day',
      ])
      expect(
        problems('usage', { ...base, closures: [{ from: '2026-12-02', to: '2026-12-01' }], readings: [] })[0],
      ).to.match(/^closures\[0\]: must not end before/)
    })
  })

  describe('wear', () => {
    const base = { today: '2026-11-26', fittedOn: '2026-05-14', openWeekdays: [1, 2, 3, 4, 5, 6, 7] }

    it('counts down to the day where nothing is uncertain', () => {
      const { result } = ask('wear', {
        ...base,
        limits: { shots: 1000 },
        used: { shots: 900 },
        perOpenDay: { shots: { mean: 10, sd: 0 } },
      })
      // A hundred to go at ten a day: used up on the tenth open day, today the first.
      expect(result).to.deep.equal({
        shares: { shots: 0.9 },
        due: { p10: '2026-12-05', p50: '2026-12-05', p90: '2026-12-05' },
        governing: 'shots',
      })
    })

    it('lets the first limit govern, and months be calendar months', () => {
      const { result } = ask('wear', {
        ...base,
        limits: { shots: 1e6, months: 9 },
        used: { shots: 0 },
        perOpenDay: { shots: { mean: 10, sd: 2 } },
      })
      expect(result.due).to.deep.equal({ p10: '2027-02-14', p50: '2027-02-14', p90: '2027-02-14' })
      expect(result.governing).to.equal('months')
    })

    it('widens with the uncertainty of use', () => {
      const width = (sd: number) => {
        const { p10, p90 } = ask('wear', {
          ...base,
          limits: { shots: 2000 },
          used: { shots: 0 },
          perOpenDay: { shots: { mean: 10, sd } },
        }).result.due as Record<string, string>
        return Date.parse(p90!) - Date.parse(p10!)
      }
      expect(width(3)).to.be.above(width(1))
      expect(width(1)).to.be.above(width(0.1))
    })

    it('stretches with a life multiplier', () => {
      const share = (lifeMultiplier: number) =>
        (
          ask('wear', {
            ...base,
            limits: { shots: 1000 },
            used: { shots: 500 },
            perOpenDay: { shots: { mean: 10, sd: 1 } },
            lifeMultiplier,
          }).result.shares as Record<string, number>
        ).shots
      expect(share(2)).to.equal(0.25)
    })

    it('is due today where it is over, and says nothing beyond ten years', () => {
      expect(
        ask('wear', {
          ...base,
          limits: { litres: 10 },
          used: { litres: 12 },
          perOpenDay: { litres: { mean: 1, sd: 0 } },
        }).result.due,
      ).to.deep.equal({ p10: '2026-11-26', p50: '2026-11-26', p90: '2026-11-26' })
      const never = ask('wear', {
        ...base,
        limits: { shots: 1e9 },
        used: { shots: 0 },
        perOpenDay: { shots: { mean: 1, sd: 0 } },
      })
      expect(never.result).to.deep.equal({ shares: { shots: 0 } })
      expect(never.warnings).to.have.length(1)
    })

    it('blames the field', () => {
      const input = { ...base, limits: { shots: 10 }, used: {}, perOpenDay: {} }
      expect(problems('wear', input)[0]).to.match(/^used\.shots: is missing/)
      expect(problems('wear', { ...input, used: { shots: 1 }, fittedOn: '2027-01-01' })[0]).to.match(
        /^fittedOn: is after today/,
      )
      expect(problems('wear', { ...input, limits: { shots: 0 } })[0]).to.equal('limits.shots: must be more than 0')
      expect(problems('wear', { ...input, used: { shots: 1, months: 2 } })[0]).to.equal(
        'used.months: is not a field here',
      )
    })
  })
})
