import type { Procedure } from '../../procedures/procedure.ts'
import type { Step } from '../../procedures/step.ts'
import {
  check,
  cutOff,
  figure,
  hands,
  hotTray,
  hotWater,
  pierces,
  startedByKeys,
  steam,
  wait,
} from '../../procedures/step-parts.ts'

export const ready = { power: 'on', heat: 'hot', tray: 'in', tank: 'in' } as const

const emptied = hands('empty', 'Head open, capsule out; empty bin and tray, back in', 45, {
  at: ['head', 'tray'],
  state: { tray: 'in' },
  caution: pierces,
  besides: [hotTray],
})

/** Whether a capsule is inside: with one nothing runs as it should. */
const noCapsule = (from: string): Step =>
  check(
    'no-capsule',
    'Look into the head',
    'Is a capsule inside?',
    [
      ['none', 'None', 'pass'],
      ['there', 'One is there', 'repeat', from, 'A capsule inside blocks the run: take it out.'],
    ],
    { at: ['head'], gate: true, caution: pierces },
  )

/** Cleaning of a pod machine, led by one button. */
export const podClean: Procedure = {
  id: 'pod-clean',
  version: 2,
  family: 'brewing',
  name: 'Cleaning programme of a pod machine',
  about: 'Water only, driven through head and outlet; no capsule inside.',
  kinds: ['pk'],
  writes: [{ entry: 'cleaned', task: 'cleaning-programme', by: ['keys', 'runs'] }],
  ways: [
    {
      id: 'water-seven-minutes',
      name: 'water only, seven minutes',
      reason: 'Nothing strong goes into a path this narrow; unlike a descale it may be stopped by its button.',
      usualFor: ['pk'],
      every: { words: 'every three months, or 300 coffees', days: 91, drinks: 300, mark: 'M' },
      figures: [
        figure('Cleaner', 'none; nothing abrasive, strong or solvent'),
        figure('Water', 'first after about 2 min'),
        figure('Time', '7 min'),
      ],
      tools: [{ name: 'Container, 1 L' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Programme',
          steps: [
            hands('tank', 'Rinse tank and lid, fresh drinking water', 60, { at: ['tank'], state: { tank: 'in' } }),
            emptied,
            noCapsule('empty'),
            hands('lock', 'Container under it, close and lock', 15, { at: ['lock', 'head'], takes: ['vessel'] }),
            wait('heats', 'It heats', 'its lamp stands still', 30, {
              at: ['heater', 'button'],
              state: ready,
              watched: true,
            }),
            startedByKeys(
              'keys',
              'Start its cleaning programme',
              'clean',
              {
                pk: {
                  from: 'ready',
                  keys: ['the button'],
                  way: 'press',
                  times: 5,
                  withinS: 4,
                  answers: 'the lamp blinks twice and pauses',
                },
              },
              { at: ['button'], state: ready },
            ),
            wait('runs', 'It runs by itself', 'its lamp stands still', 420, {
              normal: 'Water comes only after about two minutes. Its button stops it.',
              at: ['pump', 'heater', 'needle', 'head'],
              state: ready,
              caution: hotWater,
            }),
            hands('away', 'Container away, tray emptied and back', 30, {
              at: ['tray'],
              gives: ['vessel'],
              caution: hotTray,
            }),
          ],
        },
      ],
    },
  ],
}

/** A pod machine emptied for storing or carrying. */
export const podEmpty: Procedure = {
  id: 'pod-empty',
  version: 2,
  family: 'place',
  name: 'Pod machine emptied',
  about: 'Water out of pump and heater, before it is stored, carried or stands in the cold.',
  kinds: ['pk'],
  once: true,
  writes: [],
  ways: [
    {
      id: 'held-while-plugged-in',
      name: 'emptied by its own programme',
      reason: 'What stays in a heater freezes and bursts it, or stands and smells: its own programme blows it out.',
      usualFor: ['pk'],
      figures: [figure('Time', 'about 30 s'), figure('Before', 'storing, carrying, frost')],
      tools: [{ name: 'Container' }, { name: 'Cloth' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Emptying',
          steps: [
            hands('tank', 'Tank emptied and back', 20, { at: ['tank'] }),
            { ...emptied, say: 'Capsule out, bin and tray emptied, back in' },
            hands('lock', 'Closed and locked, container under it', 15, { at: ['lock'], takes: ['vessel'] }),
            cutOff('unplug', 10, { at: ['button'] }),
            startedByKeys(
              'hold',
              'Start its emptying',
              'empty',
              {
                pk: {
                  from: 'off',
                  keys: ['the button'],
                  way: 'hold-plug',
                  seconds: 5,
                  answers: 'the lamp flickers',
                },
              },
              { at: ['button'] },
            ),
            wait('runs', 'It blows itself empty', 'it switches itself off', 30, {
              at: ['pump', 'heater', 'head'],
              state: { power: 'on' },
              watched: true,
              caution: { ...steam, say: 'Steam and hot drops from the outlet: hands away until it is off.' },
            }),
            cutOff('dry', 40, { say: 'Plug out, wipe, lid open to dry', gives: ['vessel'] }),
          ],
        },
      ],
    },
  ],
}

/** The same where no such programme is: run dry by hand. */
export const podRunDry: Procedure = {
  id: 'pod-run-dry',
  version: 1,
  family: 'place',
  name: 'Pod machine run empty by hand',
  about: 'One that has no programme for it: the tank off, cycles until nothing comes, never longer.',
  kinds: ['pl'],
  once: true,
  writes: [],
  ways: [
    {
      id: 'run-until-air',
      name: 'run until air comes',
      reason:
        'A pump that runs dry for long is spoilt, a heater with water in it bursts in the frost: seconds, then off.',
      usualFor: ['pl'],
      figures: [figure('Dry running', 'some seconds, no more', 'M'), figure('Before', 'storing, carrying, frost')],
      tools: [{ name: 'Container' }, { name: 'Cloth' }],
      materials: [],
      parts: [
        {
          id: 'run',
          name: 'Emptying',
          steps: [
            emptied,
            noCapsule('empty'),
            hands('tank', 'Tank emptied and back, container under it', 25, { at: ['tank'], takes: ['vessel'] }),
            hands('cycle', 'One cycle without capsule: stop it when air comes', 20, {
              at: ['pump', 'heater', 'head'],
              state: ready,
              caution: steam,
              wrong: 'The pump rattles dry: off at once.',
            }),
            cutOff('off', 20, { say: 'Off, plug out, lever open to dry', gives: ['vessel'] }),
          ],
        },
      ],
    },
  ],
}
