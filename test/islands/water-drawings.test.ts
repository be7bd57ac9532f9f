import { expect } from 'chai'
import fc from 'fast-check'
import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { kinds } from '../../src/core/kinds/index.ts'
import { fromDay, toDay } from '../../src/core/quantity/local-day.ts'
import { learnedCapacity } from '../../src/core/softener/learned-capacity.ts'
import type { DescaleClock } from '../../src/core/standing/descale-clocks.ts'
import type { WaterRail } from '../../src/core/standing/water/water-rails.ts'
import { plotX } from '../../src/islands/machine/water/ChalkChart.tsx'
import { DescaleClocks } from '../../src/islands/machine/water/DescaleClocks.tsx'
import { Rails } from '../../src/islands/machine/water/Rails.tsx'
import { WaterOverlay } from '../../src/islands/machine/water/WaterOverlay.tsx'
import { waterOf } from '../../src/islands/machine/water/water-of.ts'
import { layOut } from '../../src/islands/path/layout.ts'
import { CapacityScale } from '../../src/islands/site/CapacityScale.tsx'
import { type Cursor, UnitRuler } from '../../src/islands/water/UnitRuler.tsx'
import type { MachineBundle } from '../../src/views/machine-bundle.ts'
import { entry, everyDay, setting, steadyReadings, takenOn } from '../core/standing/a-history.ts'

const today = '2026-11-26'
const now = toDay(today)
const scale = { today, from: now - 120, to: now + 365, width: 880, gutter: 116 }

/** Every number a drawing is made of. */
const numbersIn = (markup: string): number[] =>
  [...markup.matchAll(/ (?:x|y|cx|cy|r|width|height|x1|x2|y1|y2)="([^"]*)"/g)].map(([, value]) => Number(value))
const sound = (markup: string) => {
  expect(markup).not.to.match(/NaN|Infinity|undefined/)
  for (const number of numbersIn(markup)) expect(Number.isFinite(number)).to.equal(true)
}

describe('the unit ruler', () => {
  const cursor = fc
    .record({ at: fc.double({ min: 0, max: 900, noNaN: true }), less: fc.double({ min: 0, max: 0.5, noNaN: true }) })
    .map(
      ({ at, less }): Omit<Cursor, 'words' | 'tone'> => ({
        mgL: { low: at * (1 - less), value: at, high: at * (1 + less) },
      }),
    )

  it('is drawn for any hardness and any width, and nothing of it lies outside', () => {
    fc.assert(
      fc.property(fc.array(cursor, { maxLength: 3 }), fc.constantFrom(320, 358, 480, 630, 900), (some, width) => {
        const cursors = some.map(
          (one, i): Cursor => ({
            ...one,
            words: ['tap', 'after softener', 'treated'][i]!,
            tone: i === 0 ? 'copper' : 'water',
          }),
        )
        const markup = renderToStaticMarkup(createElement(UnitRuler, { cursors, width }))
        sound(markup)
        for (const [, x, wide] of markup.matchAll(/<rect x="([^"]*)"[^>]* width="([^"]*)"/g)) {
          expect(Number(x)).to.be.at.least(-1)
          expect(Number(x) + Number(wide)).to.be.at.most(width + 1)
        }
      }),
      { numRuns: 100 },
    )
  })

  it('says each cursor in all five units to whoever cannot see it', () => {
    const cursors: Cursor[] = [{ words: 'tap', tone: 'copper', mgL: { low: 321, value: 339.1, high: 339.1 } }]
    const markup = renderToStaticMarkup(createElement(UnitRuler, { cursors, width: 630 }))
    // 339.1 mg/L: 19 °dH, 33.9 °fH, 19.8 gpg, 3.39 mmol/L by the units' definitions.
    expect(markup).to.include('aria-label="tap: 19 °dH, 33.9 °fH, 339 mg/L CaCO₃, 19.8 gpg, 3.39 mmol/L"')
  })
})

describe('the axis under the chalk', () => {
  it('puts each day where the chart has it, and what lies beyond at its ends', () => {
    expect(plotX(scale.from, scale)).to.equal(scale.gutter)
    expect(plotX(scale.to, scale)).to.equal(scale.width - 14)
    expect(plotX(scale.from - 400, scale)).to.equal(scale.gutter)
    expect(plotX(scale.to + 4000, scale)).to.equal(scale.width - 14)
  })

  it('draws the rails of work, and says how much was done, missed and planned', () => {
    const rails: WaterRail[] = [
      { name: 'Regenerate', done: [now - 40, now - 10], missed: [now - 25], planned: [now + 4, now + 18] },
    ]
    const markup = renderToStaticMarkup(createElement(Rails, { rails, ...scale }))
    sound(markup)
    expect(markup).to.include('aria-label="Regenerate: 2 done, 1 missed, 2 planned"')
    expect([...markup.matchAll(/<circle/g)]).to.have.length(5)
  })

  it('draws three clocks, names the first, and keeps every word on the sheet', () => {
    const day = fc.integer({ min: now - 60, max: now + 900 })
    fc.assert(
      fc.property(fc.array(day, { minLength: 9, maxLength: 9 }), fc.constantFrom(358, 880), (days, width) => {
        const clocks = (['thickness', 'months', 'prompt'] as const).map((clock, i): DescaleClock => {
          const [p10, p50, p90] = days.slice(3 * i, 3 * i + 3).sort((a, b) => a - b) as [number, number, number]
          return {
            clock,
            p10,
            p50,
            p90,
            limit: 3,
            unit: clock === 'months' ? 'months' : clock === 'prompt' ? 'L' : 'mm',
          }
        })
        const markup = renderToStaticMarkup(createElement(DescaleClocks, { clocks, since: now - 90, ...scale, width }))
        sound(markup)
        expect([...markup.matchAll(/: first/g)]).to.have.length(1)
      }),
      { numRuns: 60 },
    )
    const never = renderToStaticMarkup(
      createElement(DescaleClocks, {
        clocks: [{ clock: 'thickness', limit: 1, unit: 'mm' }],
        since: now - 90,
        ...scale,
      }),
    )
    expect(never).to.include('not within ten years')
  })
})

describe('a softener’s capacity', () => {
  it('is drawn with a tick a test, whether learned or set', () => {
    const tests = [
      { on: '2026-05-01', litres: 900, removedMgL: 320, spent: false },
      { on: '2026-06-01', litres: 1400, removedMgL: 320, spent: true },
    ]
    const learned = learnedCapacity(35, 12, tests)
    for (const isSet of [false, true]) {
      const capacity = { resinL: 12, usualGPerL: 35, ...learned, isSet }
      const markup = renderToStaticMarkup(createElement(CapacityScale, { capacity }))
      sound(markup)
      expect([...markup.matchAll(/var\(--seal\)/g)]).to.have.length(1)
      expect(markup).to.include('From memory 35 g CaCO₃ a litre')
    }
    // A cartridge is told in grams, from what is printed on it.
    const cartridge = { resinL: null, usualGPerL: 875, ...learnedCapacity(875, 1, tests), isSet: false }
    const markup = renderToStaticMarkup(createElement(CapacityScale, { capacity: cartridge }))
    sound(markup)
    expect(markup).to.include('Printed on it 875 g CaCO₃, as it showed')
    expect([...markup.matchAll(/class="mono"/g)].length).to.be.within(3, 9)
  })
})

describe('the water on the path', () => {
  for (const kind of kinds.filter(({ vessels }) => vessels.length > 0))
    it(`is drawn for a ${kind.name}, with and without a softener, whole and folded`, () => {
      for (const hasSoftener of [false, true]) {
        const softener = [
          entry(
            'commissioned',
            '2026-01-05',
            { kind: 'exchanger', kindVersion: 1, partsNew: true },
            { subjectKind: 'softener', subjectId: 'w' },
          ),
          setting('softener', '2026-01-05', { setting: 'exchanger', resinL: 12 }),
        ]
        const bundle = {
          softener: hasSoftener ? { id: 'w', name: 'Back room' } : null,
          ledgers: {
            machine: [takenOn(kind.id, '2026-01-05'), ...steadyReadings('2026-01-05', '2026-11-20', 300)],
            site: [everyDay],
            ...(hasSoftener && { softener }),
          },
        } as unknown as MachineBundle
        const water = waterOf(bundle)!
        expect(waterOf(bundle), 'reckoned once').to.equal(water)
        const without = new Set(hasSoftener ? [] : ['softener'])
        for (const keep of [undefined, new Set(['mains', 'tank', ...kind.vessels.map(({ station }) => station)])]) {
          const layout = layOut(kind, without, keep)
          const markup = renderToStaticMarkup(createElement(WaterOverlay, { bundle, layout, today }))
          sound(markup)
          expect(markup).to.include('µS/cm')
          expect(markup).to.match(/chalk at \d+ % of its limit/)
          // Brackets start on the sheet.
          for (const [, x] of markup.matchAll(/d="M([-\d.]+) [\d.]+V/g)) expect(Number(x)).to.be.within(0, layout.width)
        }
      }
    })

  it('is nothing before a machine is taken on', () => {
    const bundle = { softener: null, ledgers: { site: [everyDay] } } as unknown as MachineBundle
    expect(waterOf(bundle)).to.equal(null)
    expect(fromDay(now)).to.equal(today)
  })
})
