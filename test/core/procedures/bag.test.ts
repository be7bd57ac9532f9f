import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'
import { lanesOf } from '../../../src/core/procedures/lanes.ts'
import { waySaid } from '../../../src/core/procedures/said.ts'
import type { Step } from '../../../src/core/procedures/step.ts'
import { procedures } from '../../../src/core/trade/procedures/index.ts'
import { offers } from './well-run.ts'

const ways = procedures.flatMap((procedure) => procedure.ways.map((way) => ({ procedure, way })))
const stepsOf = (way: (typeof ways)[number]['way']): Step[] => way.parts.flatMap(({ steps }) => steps)

/** What is poured, and what the bag must hold of it. */
const substances: Record<string, RegExp> = {
  detergent: /detergent|tablet/i,
  descaler: /descaler|citric/i,
  salt: /salt/i,
  grease: /grease/i,
  'milk-cleaner': /milk/i,
  sanitiser: /sanitiser/i,
}

/** What a step's words ask of the hands, and what the bag must hold for it: common practice, no source. */
const asked: [words: RegExp, bag: RegExp][] = [
  [/\bscale\b|weigh/i, /scale/i],
  [/brush/i, /brush/i],
  [/\bcloth\b/i, /cloth|towel/i],
  [/needle through|prick/i, /needle|awl|pin|pick/i],
  [/torch/i, /torch/i],
  [/bucket/i, /bucket/i],
  [/^vacuum/i, /vacuum/i],
  [/hardness at|hardness after|hardness of|hardness behind/i, /drops/i],
  [/blind basket/i, /blind|portafilter/i],
  [/conductivity/i, /pen/i],
  [/paper/i, /paper/i],
  [/bicarbonate/i, /bicarbonate/i],
  [/\bstick\b/i, /stick/i],
]

describe('what is at hand before a run', () => {
  it('holds whatever is poured or put on', () => {
    for (const { procedure, way } of ways) {
      const bag = [...way.tools, ...way.materials].map(({ name }) => name).join('; ')
      for (const step of stepsOf(way))
        if (step.act === 'dose')
          expect(bag, `${procedure.id}, ${way.id}: ${step.id}`).to.match(substances[step.dose.of]!)
    }
  })

  it('holds every tool that a step names', () => {
    let seen = 0
    for (const { procedure, way } of ways) {
      const bag = [...way.tools, ...way.materials].map(({ name }) => name).join('; ')
      for (const step of stepsOf(way))
        for (const [words, tool] of asked) {
          if (!words.test(step.say)) continue
          expect(bag, `${procedure.id}, ${way.id}: “${step.say}”`).to.match(tool)
          seen += 1
        }
    }
    expect(seen).to.be.above(40)
  })

  it('holds strips wherever acid must be out before anybody drinks', () => {
    for (const { procedure, way } of ways)
      if (stepsOf(way).some((step) => step.act === 'check' && /acid out/i.test(step.say))) {
        const bag = [...way.tools, ...way.materials].map(({ name }) => name.toLowerCase()).join('; ')
        expect(bag, `${procedure.id}, ${way.id}`).to.include('ph strips')
        expect(bag, `${procedure.id}, ${way.id}`).to.match(/gloves/)
      }
  })

  it('holds a tester in date wherever a run asks for the electrical test', () => {
    for (const { procedure, way } of ways) {
      const asks = stepsOf(way).some((step) => step.act === 'check' && /electrical|earth/i.test(step.say) && step.gate)
      if (asks && way.tools.some(({ name }) => /tester/i.test(name)))
        expect(
          way.tools.some(({ name }) => /in date/i.test(name)),
          `${procedure.id}, ${way.id}`,
        ).to.equal(true)
    }
  })

  it('names each thing once', () => {
    for (const { procedure, way } of ways) {
      const names = [...way.tools, ...way.materials].map(({ name }) => name.toLowerCase())
      expect(new Set(names).size, `${procedure.id}, ${way.id}`).to.equal(names.length)
    }
  })
})

describe('a way, printed to be read', () => {
  it('says every step of it with its cautions, its question and its answers, in order', () => {
    let lines = 0
    for (const plain of kinds) {
      const kind = withOptions(plain, new Map())
      for (const procedure of offers(kind))
        for (const way of procedure.ways) {
          const said = waySaid(procedure, way, kind)
          const text = said.join('\n')
          lines += said.length
          expect(said[0]).to.equal(`## ${procedure.name}: ${way.name} (${kind.name})`)
          expect(text).to.not.match(/undefined|NaN|\[object/)
          let at = 0
          for (const { title, steps } of lanesOf(procedure, way, kind)) {
            at = text.indexOf(`### ${title}`, at)
            expect(at, `${kind.id}: ${title}`).to.be.above(-1)
            for (const step of steps) {
              at = text.indexOf(step.say, at)
              expect(at, `${kind.id}: ${procedure.id}, ${way.id}: ${step.id}`).to.be.above(-1)
              if (step.caution) expect(text.indexOf(`! ${step.caution.say}`, at)).to.be.above(-1)
              if (step.act === 'check')
                for (const { words } of step.answers) expect(text.indexOf(`- ${words}`, at), words).to.be.above(-1)
            }
          }
        }
    }
    expect(lines).to.be.above(10_000)
  })

  it('marks what cannot be skipped, and what is from memory', () => {
    const c2 = withOptions(kinds.find(({ id }) => id === 'c2')!, new Map())
    const backflush = procedures.find(({ id }) => id === 'detergent-backflush')!
    const said = waySaid(backflush, backflush.ways[0]!, c2)
    expect(said).to.include('How often: every day at close')
    expect(said.some((line) => /Is it clear\? \[cannot be skipped\]/.test(line))).to.equal(true)
    expect(said.some((line) => /10 strokes: water on 6 s/.test(line))).to.equal(true)
    expect(said.some((line) => /Still cloudy or foaming: once more from group\.rinse-basket/.test(line))).to.equal(true)
  })
})
