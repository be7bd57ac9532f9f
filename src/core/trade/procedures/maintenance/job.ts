import type { Every, Item, Procedure, ProcedurePart, Written } from '../../../procedures/procedure.ts'
import type { Step } from '../../../procedures/step.ts'
import { check, figure } from '../../../procedures/step-parts.ts'
import { oneWay } from '../one-way.ts'

export interface Job {
  id: string
  name: string
  about: string
  kinds: string[]
  needs?: Procedure['needs']
  writes: Written[]
  way: string
  wayName: string
  reason: string
  every?: Every
  figures: [name: string, words: string][]
  tools: Item[]
  materials?: Item[]
  /** One stretch, or its parts. */
  steps?: Step[]
  each?: 'group' | 'side'
  parts?: ProcedurePart[]
}

export const asProcedure = ({
  id,
  name,
  about,
  kinds,
  needs,
  writes,
  figures,
  tools,
  materials,
  steps = [],
  each,
  parts,
  ...one
}: Job): Procedure => ({
  id,
  version: 1,
  family: 'service',
  name,
  about,
  kinds,
  ...(needs && { needs }),
  ...(writes.length === 0 && { once: true as const }),
  writes,
  ways: [
    {
      ...oneWay(
        {
          id: one.way,
          name: one.wayName,
          reason: one.reason,
          ...(one.every && { every: one.every }),
          figures: figures.map(([figureName, words]) => figure(figureName, words, 'M')),
          tools,
          ...(materials && { materials }),
        },
        kinds,
        steps,
        each,
      ),
      ...(parts && { parts }),
    },
  ],
})

export const yearly: Every = { words: 'once a year', days: 365, mark: 'T' }

export const halfYearly: Every = { words: 'every 6 to 12 months', days: 270, mark: 'M' }

export const seen = (id: string, ask: string, part: string, at: string[]): Step =>
  check(
    id,
    ask,
    'What do you see?',
    [
      ['good', 'As it should be', 'pass'],
      ['new', 'Not: a new one is in', 'pass', { fits: [part] }],
      ['later', 'Not: no new one here', 'stop', 'It stands until the part is here.'],
    ],
    { at, handsS: 45 },
  )
