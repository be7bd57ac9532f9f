import { doseSaid } from '../../procedures/dose.ts'
import type { Item, Procedure, ProcedurePart, Way } from '../../procedures/procedure.ts'
import { spanWords } from '../../procedures/span.ts'
import type { State } from '../../procedures/states.ts'
import type { Step, StepWords } from '../../procedures/step.ts'
import {
  alkaline,
  brewing,
  check,
  drinkable,
  figure,
  hands,
  hotCaustic,
  hotHandle,
  hotWater,
  lockedIn,
  nbsp,
  runsOver,
  seconds,
} from '../../procedures/step-parts.ts'
import { type BackflushWay, backflushWays, type Strokes } from './backflush-ways.ts'

const group = ['three-way', 'lever', 'group', 'screen', 'basket', 'tray']

/** Strokes as a cadence of the usual figures. */
const cadence = ({ onS, offS, times, firstOffS }: Strokes) => ({
  onS: onS.usual,
  offS: offS.usual,
  times: times.usual,
  ...(firstOffS && { firstOffS: firstOffS.usual }),
})

/** From the powder on nobody drinks from this group. */
const treated: State = { ...brewing, group: 'detergent' }

/** What the hands and the ear do in each stretch of this way’s strokes. */
function onOff(
  way: BackflushWay,
  rinsing: boolean,
): { on: string; off: string; onHow: string; offHow: string; as: Record<string, StepWords> } {
  const onHow = way.untilItStrains
    ? 'Stop as soon as the pump sounds strained, whatever the seconds say.'
    : 'Blind basket locked in. The pump’s tone rises and holds.'
  const hiss = rinsing
    ? 'A hiss, and the water in the tray ever clearer.'
    : 'A hiss and brown water in the tray are right.'
  const rules = rinsing
    ? []
    : [
        way.swirl && 'Vented: out with it, swirl, lock it in again.',
        way.untilGone && 'On until nothing brown comes: five are the least.',
        way.detergent.firstOffS && 'After the first stroke the longer pause lets it dissolve.',
      ].filter(Boolean)
  const offHow = [hiss, ...rules].join(' ')
  return {
    on: 'Water ON',
    off: 'Water OFF',
    onHow,
    offHow,
    as: {
      lv: {
        on: 'Lever UP',
        off: 'Lever DOWN',
        onHow: 'Lever all the way up. Blind basket locked in.',
        offHow: ['Right down: half-way vents nothing. Wait for the gush into the tray to be over.', ...rules].join(' '),
      },
    },
  }
}

const weeps =
  'Water at the basket’s rim: the gasket weeps. Pause, let it vent, lock in tighter once; if it goes on, note the gasket.'

const loosen = {
  lv: { how: 'Lever right down, the gush over: loosen slowly.' },
}

function detergentSteps(way: BackflushWay): Step[] {
  const steps: Step[] = [
    hands('tray-in', 'Tray empty and in its place', 20, {
      at: ['tray'],
      state: { tray: 'in' },
      how: 'Every stroke vents hot water into it.',
    }),
    hands('blind-in', 'Puck out, blind basket in', 20, {
      how: 'Knock the puck out, take the coffee basket out of the portafilter, put the blind basket in.',
      at: ['basket'],
      takes: ['blind'],
    }),
  ]
  if (way.before)
    steps.push({
      id: 'water-first',
      say: 'Rinse it with water first',
      how: 'One stroke before any powder: loose residue leaves ahead of the chemistry.',
      act: 'cadence',
      ...cadence(way.before),
      ...onOff(way, true),
      handsS: 0,
      at: group,
      state: brewing,
      caution: lockedIn,
    })
  steps.push(
    {
      id: 'powder',
      say: 'Powder into the blind basket',
      ...(way.soakS ? { how: 'Then fill the basket with water.' } : way.dose.scoops && { how: 'Level, not heaped.' }),
      act: 'dose',
      dose: way.dose,
      into: 'the blind basket',
      handsS: 15,
      at: ['basket'],
      caution: alkaline,
    },
    hands('lock-in', 'Lock it in', 10, {
      puts: 'detergent',
      gate: true,
      at: ['group', 'basket'],
      state: { group: 'detergent' },
      normal: 'Handle as far as for coffee, no further.',
      caution: { hazard: 'scald', say: 'The group is hot: hold the grip, not the metal.' },
    }),
  )
  if (way.soakS)
    steps.push({
      id: 'soak',
      say: 'Leave it locked in',
      how: `The foam climbs into the group: ${spanWords({ usual: way.soakS.usual / 60, from: way.soakS.from! / 60, to: way.soakS.to! / 60 })} minutes.`,
      act: 'soak',
      what: 'Foam in the group',
      seconds: way.soakS.usual,
      mostS: way.soakS.to,
      handsS: 0,
      at: group,
    })
  steps.push({
    id: 'strokes',
    say: 'Detergent strokes',
    how: way.swirl ? 'In each pause, once it has vented, take the basket out, swirl it, lock it in again.' : undefined,
    normal: 'White foam and brown oil at the drain are proof that it works.',
    wrong: weeps,
    act: 'cadence',
    ...cadence(way.detergent),
    ...(way.swirl && { standsUntil: 'Swirled and locked in again' }),
    ...onOff(way, false),
    handsS: 0,
    at: group,
    state: treated,
    caution: lockedIn,
    ...(way.swirl && { besides: [hotCaustic] }),
  })
  if (way.untilGone)
    steps.push(
      check(
        'gone',
        'Is the detergent gone?',
        'What came into the tray at the last stroke?',
        [
          ['gone', 'No foam, nothing brown', 'pass'],
          ['left', 'Foam or brown still', 'repeat', 'strokes', 'It is not through yet: on until nothing comes.'],
        ],
        { at: ['tray', 'three-way', 'lever'] },
      ),
    )
  steps.push(
    hands('out', way.scrub ? 'Take it out and keep the foam' : 'Take it out, tip the basket', 20, {
      how: way.scrub
        ? 'After the hiss. The foam that is left in the basket is for the brush.'
        : 'After the hiss. What is left of the foam goes down the drain.',
      as: loosen,
      at: ['group', 'basket'],
      caution: hotCaustic,
    }),
  )
  if (way.scrub)
    steps.push(
      hands('scrub', 'Scrub seal and screen with the foam', 45, {
        how: 'Dip the brush in the basket’s foam; all the way round the seal, then the screen.',
        at: ['group', 'screen'],
        state: { screen: 'on' },
        caution: { hazard: 'scald', say: 'The group is hot: the brush goes in, not the fingers.' },
      }),
      hands('half-lock', 'Handle half in, let it run over', 15, {
        how: 'Not sealed: water runs round the seal and over the rim for some seconds. Then water off.',
        at: ['group', 'screen'],
        state: treated,
        caution: runsOver,
      }),
      hands('tip', 'Take it out, tip the basket', 15, { at: ['basket'], caution: hotCaustic }),
    )
  if (way.openS)
    steps.push(
      hands('open-run', 'Run the group open until it is clear', way.openS.usual, {
        how: `No portafilter: ${seconds(way.openS)}.`,
        at: ['group', 'screen'],
        state: treated,
        caution: hotWater,
      }),
    )
  steps.push(
    hands('rinse-basket', 'Rinse the basket, lock it in again', 20, {
      at: ['basket'],
      caution: { hazard: 'detergent', say: 'Still alkaline: under running water, gloves on.' },
    }),
    {
      id: 'rinse',
      say: 'Rinse with clear water',
      wrong: weeps,
      act: 'cadence',
      ...cadence(way.rinse),
      ...onOff(way, true),
      handsS: 0,
      at: group,
      state: treated,
      caution: lockedIn,
    },
    hands('look-in', 'Out with it; run water into the blind basket', 15, {
      as: loosen,
      at: ['group', 'basket'],
      state: treated,
      caution: hotHandle,
    }),
    {
      id: 'clear',
      say: 'Is it clear?',
      how: 'Look into the basket: no foam, no colour, no slippery feel.',
      act: 'check',
      ask: 'What stands in the basket?',
      answers: [
        { id: 'clear', words: 'Clear water', leads: 'pass' },
        {
          id: 'cloudy',
          words: 'Still cloudy or foaming',
          leads: 'repeat',
          from: 'rinse-basket',
          because: 'Detergent is left: lock it in and rinse once more.',
        },
        {
          id: 'never',
          words: 'It does not come clear',
          leads: 'stop',
          because: 'Detergent stays in the group: no coffee from it until it runs clear.',
        },
      ],
      handsS: 20,
      gate: true,
      clears: true,
      gives: ['blind'],
      at: ['group', 'basket'],
    },
  )
  steps.push(
    hands('edge', 'Look at the edge, brush the grounds off', 25, {
      how: 'Water running, the brush all round seal and screen: the brush keeps the hand away.',
      at: ['group', 'screen'],
      state: { ...brewing, group: 'water' },
      caution: { hazard: 'scald', say: 'Hot water falls free: the brush goes in, not the fingers.' },
    }),
    hands('basket-back', 'Coffee basket back, wipe the rim', 20, {
      at: ['basket', 'screen'],
      state: { basket: 'at hand' },
    }),
  )
  return steps
}

function afterwards(way: BackflushWay): ProcedurePart[] {
  if (way.after === 'season')
    return [
      {
        id: 'season',
        name: 'Season',
        each: 'group',
        steps: [
          {
            id: 'season',
            say: 'One espresso, thrown away',
            how: 'It takes the last of the detergent with it, and shows whether the grind still fits.',
            act: 'season',
            drinks: 1,
            handsS: 45,
            at: ['group', 'basket'],
            state: { ...brewing, ...drinkable },
            caution: hotWater,
          },
        ],
      },
    ]
  const say = {
    'season next day': hands('season-tomorrow', 'Tell the bar: the first coffee is thrown away', 10, {
      how: 'Hot water run and one espresso a group before the first guest, for taste and for the grind.',
    }),
    lever: hands('lever', 'Lever stiff or squeaking?', 20, {
      how: 'That is right after detergent: it washed the grease off the cam. It eases within days; if it stays, the cam wants grease.',
      at: ['lever'],
      where: ['lever'],
    }),
    none: hands('tray', 'Empty and rinse the tray', 30, { at: ['tray'] }),
  }[way.after]
  return [{ id: 'after', name: 'Afterwards', steps: [say] }]
}

const strokesWords = ({ onS, offS, times, firstOffS }: Strokes) =>
  `${seconds(onS)} on, ${seconds(offS)} off, ${spanWords(times).replaceAll(' ', nbsp)}${nbsp}×${firstOffS ? `, ${seconds(firstOffS)} after the first` : ''}`

const brush: Item = { name: 'Group brush' }

const asWay = (way: BackflushWay): Way => ({
  id: way.id,
  name: way.name,
  reason: way.reason,
  kinds: way.kinds,
  usualFor: way.usualFor,
  every: way.every,
  ...(way.usualAt && { usualAt: way.usualAt }),
  figures: [
    figure('Water first', way.before ? `${seconds(way.before.onS)}, once` : 'none', 'T', way.before && 'water-first'),
    figure('Detergent', doseSaid(way.dose), way.id === 'fingernail-and-a-pause' ? 'M' : 'T', 'powder'),
    figure(
      'Soak locked in',
      way.soakS ? `${spanWords({ usual: 3, from: way.soakS.from! / 60, to: way.soakS.to! / 60 })} min` : 'none',
      'T',
      way.soakS && 'soak',
    ),
    figure('Detergent strokes', strokesWords(way.detergent), way.unsaid.includes('off') ? 'M' : 'T', 'strokes'),
    figure('Rinse strokes', strokesWords(way.rinse), way.unsaid.includes('rinse off') ? 'M' : 'T', 'rinse'),
    figure(
      'Besides',
      [
        way.scrub && 'seal scrubbed, run over half locked',
        way.swirl && 'swirled between strokes',
        way.openS && `group run open ${seconds(way.openS)}`,
        way.untilItStrains && 'stopped when the pump strains',
        way.untilGone && 'on until nothing brown comes',
      ]
        .filter(Boolean)
        .join('; ') || 'none',
    ),
  ],
  tools: [
    { name: 'Blind basket' },
    ...(way.scrub ? [{ ...brush, why: 'for seal and screen' }] : [brush]),
    { name: 'Cloth' },
  ],
  materials: [{ name: 'Backflush detergent' }],
  parts: [{ id: 'group', name: 'Backflush', each: 'group', steps: detergentSteps(way) }, ...afterwards(way)],
})

/** Powder driven back through group and valve, by hand. */
export const detergentBackflush: Procedure = {
  id: 'detergent-backflush',
  version: 1,
  family: 'brewing',
  name: 'Detergent backflush',
  about: 'Powder against a blind basket: each stop drives it back through screen, group and valve into the tray.',
  kinds: ['c2', 'lv', 'dv', 'dn', 'dg'],
  needs: {
    stations: ['three-way', 'lever'],
    why: 'There is no 3-way valve: nothing vents, nothing is cleaned, and the pressure stays behind the basket.',
    instead: 'group-clean',
  },
  writes: [
    {
      entry: 'cleaned',
      task: 'detergent-backflush',
      taskOf: { dv: 'cleaning-programme', dn: 'cleaning-programme', dg: 'cleaning-programme' },
      each: 'group',
      by: ['powder', 'strokes', 'clear'],
    },
  ],
  ways: backflushWays.map(asWay),
}
