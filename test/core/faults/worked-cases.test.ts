import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { networkOf } from '../../../src/core/faults/network.ts'
import { rankCauses } from '../../../src/core/faults/rank-causes.ts'

/**
 * What was complained of, what was seen, what it was: one a line, as any technician would reason (common practice, no
 * source). Kind | complaint | test outcome, … | fault.
 */
const cases = `
c2 | no-water | lamps one-blinks, other-group better, swap-coils goes | three-way-coil
c2 | no-water | lamps one-blinks, other-group better, swap-coils stays, three-way stuck | three-way-shut
c2 | no-water | pump-sound hums, capacitor low | capacitor
c2 | no-water | pump-sound growls, taps shut, open-flow none | supply-shut
c2 | slow | other-group better, open-flow low, jet chalk | jet-blocked
c2 | slow | pump-sound growls, open-flow low, strainer blocked | strainer-blocked
c2 | slow | open-flow right, shot right, grind slow | grind-fine
c2 | slow | blind-pressure low, bypass climbs | bypass-low
c2 | slow | blind-pressure low, bypass not | pump-worn
c2 | fast | shot right, grind fast | grind-coarse
c2 | fast | shot fast, basket worn | basket-worn
c2 | handle-leaks | rim drips, gasket hard | gasket-hard
c2 | handle-kicks | vent none, three-way exhaust | three-way-no-vent
c2 | tray-runs | tray-during runs, three-way seat | three-way-leaks
c2 | tray-runs | tray-during runs-at-rest, line-rest low | expansion-runs
c2 | tray-full | drain stands | drain-blocked
c2 | blinks | lamps one-blinks, open-flow right, swap-meters goes | meter-silent
c2 | dose | three-doses apart, swap-meters goes | meter-counts-wrong
c2 | wet-steam | sight-glass over, fill-off stops, probe chalked | probe-chalked
c2 | wet-steam | sight-glass over, fill-off goes-on | fill-leaks
c2 | wet-steam | sight-glass over, probe clean, conductivity pure | water-too-pure
c2 | steam-drips | wand-shut tip | steam-seat
c2 | steam-drips | wand-shut joint | wand-joint
c2 | weak-steam | steam-time slow, boiler-gauge right, tip blocked | tip-blocked
c2 | no-heat | boiler-gauge none, element right, cut-out open | cut-out
c2 | no-heat | boiler-gauge none, element open | element-open
c2 | no-heat | boiler-gauge none, element right, cut-out closed, contactor not | contactor
c2 | over | boiler-gauge right, breather vacuum | vacuum-open
c2 | over | boiler-gauge right, breather safety | safety-weeps
c2 | dead | lamps dark, socket off | no-mains
c2 | keys | lamps dead, swap-keys goes | keys-dead
c2 | taste | oil oily, screen clean | cleaning-left
c2 | wet-below | below wet, drain runs, leak-paper wet | leak-inside
lv | lever-stiff | lever-feel stiff | cam-dry
lv | wet-steam | level over, probe chalked | probe-chalked
lv | weak-steam | boiler-gauge none, relay not | relay
lv | weak-steam | boiler-gauge none, relay closes, element open | element-open
lv | weak-steam | boiler-gauge right, wand blocked | wand-blocked
lv | hisses | breather vacuum, boiler-gauge low | vacuum-open
lv | slow | open-flow low, jet narrow | jet-blocked
lv | no-water | tank empty, pump-sound rattles | tank-empty
pt | cold | basket-temperature cold, boiler-gauge right, fuse open | fuse-open
pt | weak-steam | boiler-gauge none, steam-element open | steam-element
pt | weak-steam | boiler-gauge low, menu low | steam-low
pt | handle-kicks | vent none, three-way exhaust | three-way-no-vent
dv | no-water | tank right, pump-sound rattles, prime draws | airlock
dv | no-water | pump-sound silent, protector open | protector-open
dv | no-water | pump-sound strained, prime stream, three-way stuck | three-way-shut
dv | slow | prime little, pump-hose right, boiler-hose little | boiler-chalked
dv | slow | relief-return much, blind-pressure low | relief-low
dv | slow | pump-hose weak, blind-pressure low | pump-weak
dv | cold | basket-temperature cold, fuse open | fuse-open
dv | cold | basket-temperature cold, fuse closed, element open | element-open
dv | weak-steam | basket-temperature right, wand blocked | wand-blocked
dv | steam-drips | wand-shut drips | knob-leaks
dn | no-water | pump-sound strained, prime stream, brew-valve stuck | brew-valve-stuck
dn | drips-on | drips-on goes-on | brew-valve-weak
dn | slow | prime stream, basket-hole blocked | basket-hole
dg | no-grounds | grinder-sound empty, hopper hang | beans-oily
dg | no-grounds | grind-dose low, hopper fall, chute packed | chute-clogged
dg | grinder-silent | grinder-sound hums, burrs stone | grinder-jam
dg | grinder-silent | grinder-sound silent, hopper-seat answers | hopper-switch
dg | lamp | clean-lamp asks, last-clean long | prompt-misread
dg | lamp | clean-lamp half, last-clean broken | prompt-stays
bt | cold | basket-temperature low, step low | step-low
bt | steam-drips | wand-shut drips, knob off | knob-places
sr | short-cup | tray-water much, nozzle gone | nozzle-seals
sr | short-cup | tray-water much, nozzle whole, ring worn | unit-ring
sr | short-cup | tray-water much, nozzle whole, ring whole, valve runs | valve-leaks
sr | unit-says | unit-by-hand stiff | unit-dry
sr | unit-says | unit-by-hand easy, drive slips | drive-nut
sr | unit-says | unit-by-hand easy, drive lost | position-switch
sr | grinder-empty | grinder-sound empty, hopper hang | beans-oily
sr | clear | grinder-sound silent, contacts off | contacts-off
sr | clear | hopper fall, puck-weight none, chute packed | chute-clogged
sr | grounds-says | home cured | containers
sr | grounds-says | home same, switch dead | door-switch
sr | tank-says | seat wrong | tank-out
sr | tank-says | seat right, pump-sound loaded, open-flow right, meter-pulses stands | meter-stands
sr | foam | jet blocked | air-jet
sr | foam | jet clear, rings worn | frother-rings
st | short-cup | tray-water much, unit-valve wrong | valve-gaskets
st | clear | hopper fall, puck-weight none, grinder-sound hums, burrs stone | grinder-jam
sp | tank-says | supply shut | tank-out
sp | unit-says | guides caked | unit-dry
sp | short-cup | tray-water much, group-open lower | nozzle-seals
sp | weak-steam | boiler-gauge none, steam-element open | steam-element
sp | slow | brew-pressure low, strainer clean | pump-weak
sp | cold | first-cup warmer | group-heater
pk | no-water | tank right, pump-sound rattles, prime draws | airlock
pk | slow | other-capsule right | capsule
pk | slow | other-capsule same, needle blocked | needle-blocked
pk | slow | needle clear, pump-hose stream, heater-hose little | heater-chalked
pk | short-cup | tray-water much, head-drip runs, gasket worn | head-gasket
pk | stuck | shut-again cured | not-locked
pk | lamp | lamp descale, open-flow right | prompt-misread
pk | cold | element right, fuse open | fuse-open
pl | flat-milk | own-milk foams | milk-wrong
pl | flat-milk | own-milk same, whisk stands | whisk-stands
pl | cold-milk | jug-time slow, jug crusted | jug-dirty
pl | cold-milk | jug-time slow, jug clean, jug-rim dry, steam-hose shut | steam-path-chalked
pl | jug-leaks | jug-rim hisses | jug-seal
pd | slow | tank right, pump-hose right, boiler-hose stream, brew-valve stuck | brew-valve-stuck
pd | slow | pump-hose right, boiler-hose little | boiler-chalked
gr | none | hopper shut | gate-shut
gr | less | hopper falls, timer usual, chute packed | chute-clogged
gr | less | timer changed | timer
gr | hums | burrs sharp, capacitor low | capacitor
gr | hums | burrs stone | stone
gr | fast | ring turns, feel mixed, burrs blunt | burrs-worn
gr | fast | ring turns, feel even, shot fast | grind-off
gr | silent | socket off | no-mains
gr | silent | socket live, rested runs | motor-hot
gr | silent | socket live, rested same, switch open | start-switch
gr | uneven | flap bent | flap-worn
gr | will-not-set | ring stiff | thread-stiff
`
  .trim()
  .split('\n')
  .map((line) => line.split(' | '))

describe('worked cases (common practice, no source)', () => {
  for (const [kind, symptom, seen, expected] of cases) {
    const tests = seen!.split(', ').map((one) => {
      const [test, outcome] = one.split(' ')
      return { test: test!, outcome: outcome! }
    })
    it(`${kind}, ${symptom}: ${seen} is ${expected}`, () => {
      const book = bookOf(kind!)!
      expect(book.symptoms.map(({ id }) => id)).to.include(symptom)
      for (const { test, outcome } of tests) {
        const known = book.tests.find(({ id }) => id === test)
        expect(known?.outcomes.map(({ id }) => id) ?? [], test).to.include(outcome)
      }
      const network = networkOf(book, symptom!)
      const belief = rankCauses(network, tests)!
      expect(network.faults[belief.indexOf(Math.max(...belief))]).to.equal(expected)
    })
  }

  it('tell every kind apart in several', () => {
    const kinds = new Set(cases.map(([kind]) => kind))
    expect(kinds.size).to.equal(14)
  })
})
