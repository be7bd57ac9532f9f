import { expect } from 'chai'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'
import { checkProcedure } from '../../../src/core/procedures/check-procedure.ts'
import { conditionFaults } from '../../../src/core/procedures/conditions.ts'
import { lanesOf } from '../../../src/core/procedures/lanes.ts'
import { offeredTo } from '../../../src/core/procedures/offered.ts'
import { conditionAt } from '../../../src/core/procedures/standing.ts'
import type { Hazard, Step } from '../../../src/core/procedures/step.ts'
import { hands, openAndLive, unplugged } from '../../../src/core/procedures/step-parts.ts'
import { procedureById } from '../../../src/core/trade/procedures/index.ts'

/** Every way through the library on every kind: its steps in the order of the first group and the first side. */
const ways = kinds.flatMap((plain) => {
  const kind = withOptions(plain, new Map(plain.options.map(({ id }) => [id, true])))
  return ['none', 'exchanger', 'cartridge', 'membrane'].flatMap((behind) =>
    offeredTo(kind, behind).flatMap(({ procedure, refused }) =>
      refused || (behind !== 'none' && !procedure.behind)
        ? []
        : procedure.ways.map((way) => ({
            name: `${kind.id}: ${procedure.id}, ${way.id}`,
            kind: kind.id,
            procedure,
            steps: lanesOf(procedure, way, kind)
              .filter(({ group, side }) => (group ?? 1) === 1 && (side ?? 1) === 1)
              .flatMap(({ steps }) => steps),
          })),
    ),
  )
})
const cautions = (step: Step) => [...(step.caution ? [step.caution] : []), ...(step.besides ?? [])]
const warns = (step: Step, ...hazards: Hazard[]) => cautions(step).some(({ hazard }) => hazards.includes(hazard))
const text = (step: Step) => [step.say, step.how, step.normal].filter(Boolean).join(' ')

describe('how a machine stands at each step', () => {
  it('is what the step says, on every kind, in every way through the library', () => {
    for (const { name, steps } of ways)
      expect(conditionFaults(steps).map(({ at, message }) => `${name}: ${steps[at]!.id} ${message}`)).to.deep.equal([])
  })

  it('a case that is opened is tested before it is used, or stays held', () => {
    for (const { name, steps } of ways) {
      const opened = steps.findIndex(({ state }) => state?.cover === 'open')
      if (opened < 0) continue
      const tested = steps.findLastIndex(({ clears }) => clears === 'electrical')
      expect(tested, name).to.be.above(opened)
      const test = steps[tested]!
      expect(test.gate, name).to.equal(true)
      expect(test.act === 'check' && test.answers.some(({ keeps }) => keeps), `${name}: goes on held`).to.equal(true)
      expect(conditionAt(steps, tested).cover, name).to.equal('shut')
    }
  })

  it('no vessel under pressure is opened on trust: gauge and open steam tap, past a gate', () => {
    const opens = /carrier|flange|probe out|cap off|knob and stem out|valve out|jet and gauze out|stem out/i
    for (const { name, kind, steps } of ways) {
      if (!['c2', 'lv', 'pt', 'sp'].includes(kind)) continue
      steps.forEach((step, i) => {
        if (!opens.test(step.say)) return
        expect(conditionAt(steps, i).pressure, `${name}: ${step.say}`).to.equal('none')
        const proved = steps
          .slice(0, i)
          .some((one) => one.gate && one.act === 'check' && /steam tap/.test(one.ask) && /zero/i.test(one.ask))
        expect(proved, `${name}: ${step.say}`).to.equal(true)
      })
    }
  })

  it('water, steam, acid, alkali, needles, springs and moving parts are said where the hand meets them', () => {
    const rules: [words: RegExp, hazards: Hazard[]][] = [
      [/steam on|blow it out|purge at once|steam it/i, ['scald']],
      [/hot water|run the group open|water through it/i, ['scald', 'detergent', 'pressure', 'acid', 'mains', 'heavy']],
      [/descaler into|acid in,/i, ['acid']],
      [/\bneedle\b.*\bhead\b|open(ed)?: capsule|look into the head/i, ['sharp']],
      [/spring assembly|c-clip off/i, ['spring']],
      [/chamber (right )?(up|down)/i, ['pinch']],
      [/into a metal vessel|floor/i, ['scald']],
      [/carried/i, ['heavy']],
    ]
    for (const { name, steps } of ways)
      for (const step of steps)
        for (const [words, hazards] of rules) {
          if (!words.test(step.say) || step.act === 'soak' || step.act === 'dose') continue
          if (/tell the bar|say it|looked at|prove/i.test(step.say)) continue
          expect(warns(step, ...hazards), `${name}: “${step.say}” says ${hazards[0]}`).to.equal(true)
        }
  })

  it('nobody tastes acid before a strip agrees, and a strip is not asked for what it cannot show', () => {
    for (const { name, steps } of ways)
      for (const step of steps) {
        if (step.clears !== true && step.clears !== 'descaler') continue
        if (!steps.some(({ puts }) => puts === 'descaler')) continue
        if (step.act !== 'check' || !/acid/i.test(step.say)) continue
        expect(text(step) + step.ask, name)
          .to.match(/strip/i)
          .and.not.match(/taste a drop|within 0\.3/i)
      }
  })

  it('grease that coffee and water meet is food-grade, and petroleum jelly is refused', () => {
    const all = ways.flatMap(({ steps }) => steps.map(text)).join(' ')
    expect(all).to.match(/food-grade silicone/i)
    expect(all.match(/petroleum jelly/gi)?.length).to.equal(all.match(/never petroleum jelly/gi)?.length)
  })

  it('each programme is told apart by its keys: no two of a kind are started alike', async () => {
    const { samePattern } = await import('../../../src/core/procedures/key-patterns.ts')
    for (const { id } of kinds) {
      const examples = [
        ...new Map(
          ways
            .filter(({ kind }) => kind === id)
            .flatMap(({ steps }) => steps.flatMap((step) => (step.act === 'keys' ? [step] : [])))
            .map((step) => [step.programme, step.example] as const),
        ),
      ]
      examples.forEach(([programme, a], i) => {
        for (const [other, b] of examples.slice(i + 1))
          expect(samePattern(a, b), `${id}: ${programme} and ${other}`).to.equal(false)
      })
    }
  })

  it('title and words of a programme name the same keys: a title names none', () => {
    for (const { name, steps } of ways)
      for (const step of steps)
        if (step.act === 'keys')
          for (const key of step.example.keys)
            if (key.length > 3 && step.example.way !== 'menu')
              expect(step.say.toLowerCase(), name).to.not.include(key.toLowerCase())
  })

  it('one rinse a descale: every step and the table say the same', () => {
    for (const way of procedureById('descale')!.ways) {
      const rinse = way.figures.find(({ name }) => name === 'Rinse')!.words
      const [part] = way.parts
      const said = part!.steps.filter(
        ({ id, say }) => /rinse/.test(id) && /rins|clear water/i.test(say) && id !== 'rinsed',
      )
      const litres = said.flatMap(({ say }) => say.match(/\d+(\.\d+)? L|half a tank|full tank/g) ?? [])
      for (const one of litres) expect(rinse, `${way.id}: ${one}`).to.include(one)
      expect(
        part!.steps.some(({ say }) => say.includes(rinse)),
        way.id,
      ).to.equal(true)
    }
  })

  it('does not take a live look for a dead one, and says so of a step somebody writes', () => {
    const live = hands('look', 'Look at the joint while it pumps', 20, {
      caution: unplugged,
      state: { power: 'on' },
    })
    const opened = hands('open', 'Case open', 60, {
      state: { power: 'dead', cover: 'open' },
      puts: 'electrical',
      gate: true,
    })
    expect(conditionFaults([opened, live]).map(({ code }) => code)).to.include.members(['qualified', 'live', 'plug'])
    const right: Step = { ...live, qualified: true, caution: openAndLive }
    expect(conditionFaults([opened, right])).to.deep.equal([])
    expect(
      conditionFaults([hands('o', 'Case open', 60, { state: { cover: 'open' } })]).map(({ code }) => code),
    ).to.include('open')
    expect(conditionFaults([hands('u', 'Unplug it', 5)]).map(({ code }) => code)).to.deep.equal(['plug'])
  })

  it('a file that says otherwise is refused at its step', () => {
    const file = JSON.parse(JSON.stringify(procedureById('shop-service')!))
    delete file.ways[0].parts[0].steps.find(({ id }: Step) => id === 'power').qualified
    const checked = checkProcedure(file)
    expect(checked.ok ? [] : checked.issues.map(({ code }) => code)).to.deep.equal(['qualified'])
  })

  it('a bar machine is lifted by as many as it weighs (from memory)', () => {
    const say = (id: string) =>
      lanesOf(procedureById('moving')!, procedureById('moving')!.ways[0]!, kindById(id)!)
        .flatMap(({ steps }) => steps)
        .find((step) => step.id.endsWith('.carry'))!.say
    expect(say('c2')).to.match(/60 to 80 kg.*four people/i)
    expect(say('pk')).to.match(/one person/)
  })
})
