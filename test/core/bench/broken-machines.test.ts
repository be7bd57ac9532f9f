import { expect } from 'chai'
import { benchOf } from '../../../src/core/bench/benches.ts'
import { diceOf } from '../../../src/core/quantity/dice.ts'

/**
 * What a broken machine shows, one a line (common practice, no source): kind | fault | what its tests show, a reading
 * under or over a figure.
 */
const rows = `
c2 | capacitor | pump-sound hums, open-flow <60
c2 | motor-dead | open-flow <60
c2 | supply-shut | mains-flow <200
c2 | bypass-low | blind-pressure <8, pump-sound even
c2 | exchanger-chalked | boiler-gauge >0.9, basket-temperature <90
c2 | pressure-high | boiler-gauge >1.3, basket-temperature >95
c2 | probe-chalked | sight-glass over, steam-time >20
c2 | water-too-pure | sight-glass over, probe clean, conductivity <60
c2 | element-open | basket-temperature <93
c2 | basket-worn | shot <20, open-flow >65
c2 | grind-fine | grind >36, shot <32
c2 | meter-silent | three-doses no-stop
c2 | steam-seat | wand-shut tip
c2 | vacuum-open | breather vacuum, boiler-gauge <0.9
lv | relay | boiler-gauge <0.1, basket-temperature <30, lamps never
lv | thermostat-low | boiler-gauge <0.8
lv | vacuum-open | boiler-gauge <0.8, breather vacuum
lv | probe-chalked | level over, steam-time >52
lv | jet-blocked | open-flow <60, jet narrow
lv | cam-dry | lever-feel stiff, open-flow >60
pt | fuse-open | basket-temperature <30, boiler-gauge >1
pt | steam-element | boiler-gauge <0.1, basket-temperature >89
pt | steam-low | boiler-gauge <0.9, steam-time >35, basket-temperature >89
dv | airlock | prime draws, pump-sound rattles, open-flow <8
dv | tank-empty | prime none, tank empty
dv | three-way-shut | prime stream, open-flow <8
dv | relief-low | blind-pressure <9, relief-return much, open-flow >52
dv | boiler-chalked | pump-hose >82, boiler-hose little
dv | pump-weak | blind-pressure <9.5, pump-hose <85
dv | thermostat-low | basket-temperature <84, thermostat early
dv | seal-hard | rim drips
dn | brew-valve-stuck | prime stream, open-flow <8
dn | brew-valve-weak | drips-on goes-on, open-flow >52
dn | basket-hole | shot >36, basket-hole blocked, open-flow >52
dg | beans-oily | grind-dose <14, hopper hang, grinder-sound empty
dg | grinder-jam | grind-dose <1, grinder-sound hums
dg | hopper-switch | grind-dose <1, grinder-sound silent
dg | burrs-worn | grind <22, shot >20
dg | prompt-misread | clean-lamp asks, open-flow >52
bt | step-low | basket-temperature <85, thermostat right
bt | knob-places | wand-shut drips, knob off
sr | nozzle-seals | tray-water >18, espresso <36, nozzle gone
sr | valve-leaks | tray-water >18, valve runs
sr | meter-stands | espresso >47
sr | unit-screen | shot-time >33, open-flow <45
sr | block-chalked | outlet-temperature <86, hot-water <60
sr | heater-open | outlet-temperature <30
sr | drive-nut | drive slips, espresso <6
sr | beans-oily | hopper hang, puck-weight <13
sr | contacts-off | puck-weight <4, grinder-sound silent
sr | airlock | pump-sound light, hot-water <8
sr | air-jet | foam coarse, jet blocked
st | valve-gaskets | unit-valve wrong, tray-water >18
st | chute-clogged | puck-weight <13, hopper fall
sp | tank-out | supply shut, pump-sound light
sp | pump-weak | brew-pressure <7.5
sp | unit-ring | group-open upper, tray-water >18
sp | steam-element | boiler-gauge <0.1, outlet-temperature >86
sp | group-heater | first-cup warmer
sp | unit-dry | guides caked
pk | heater-chalked | heater-hose little, pump-hose stream
pk | needle-blocked | open-flow <35, needle blocked
pk | head-gasket | tray-water >7, cup <36
pk | meter-stands | cup >47
pk | fuse-open | outlet-temperature <30, fuse open
pk | non-return-leaks | head-drip after
pk | not-locked | shut-again cured, pump-sound silent
pl | jug-dirty | jug-time >100, jug crusted
pl | steam-path-chalked | jug-time >100, steam-hose shut, jug clean
pl | whisk-stands | whisk stands, jug-time <90
pl | milk-wrong | own-milk foams, jug-time <90
pd | jug-seal | jug-rim hisses
pd | brew-valve-stuck | open-flow <8, prime stream
gr | gate-shut | weight <1, sound light
gr | chute-clogged | weight <16, chute packed
gr | burrs-worn | weight <16.5, feel mixed, shot <20
gr | flap-worn | spread >1
gr | capacitor | sound hums, weight <1
gr | motor-hot | sound silent, rested runs
gr | thread-stiff | ring stiff, weight >16
`
  .trim()
  .split('\n')
  .map((line) => line.split(' | '))

/** How far gone: what is nearly sound may show little, so a middling and a far one are looked at. */
const severities = [0.6, 0.95]

describe('a machine broken on the bench', () => {
  for (const [kind, fault, seen] of rows) {
    it(`${kind}, ${fault}: ${seen}`, () => {
      const bench = benchOf(kind!)!
      for (const severity of severities)
        for (const seed of [1, 2, 3, 4, 5]) {
          const dice = diceOf(seed)
          const state = bench.sound(dice)
          bench.faults[fault!]!(state, severity, dice)
          for (const [test, expected] of seen!.split(', ').map((one) => one.split(' '))) {
            const shown = bench.tests[test!]!.shows(state)
            const words = `${test} of machine ${seed} at ${severity}`
            if (/^[<>]/.test(expected!)) {
              const limit = Number(expected!.slice(1))
              if (expected!.startsWith('<')) expect(Number(shown), words).to.be.lessThan(limit)
              else expect(Number(shown), words).to.be.greaterThan(limit)
            } else expect(shown, words).to.equal(expected)
          }
        }
    })
  }

  it('is complained of in words the fault is known for, but for what is hardly gone', () => {
    const silent: string[] = []
    for (const kind of new Set(rows.map(([one]) => one!))) {
      const bench = benchOf(kind)!
      for (const [fault, breaks] of Object.entries(bench.faults)) {
        if (fault === 'nothing') continue
        const dice = diceOf(5)
        const state = bench.sound(dice)
        breaks(state, 1, dice)
        if (bench.notices(state).length === 0) silent.push(`${kind} ${fault}`)
      }
    }
    expect(silent).to.deep.equal([])
  })
})
