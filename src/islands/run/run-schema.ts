import { array, mixed, number, object, string } from 'yup'
import { acts } from '../../core/procedures/procedure-words.ts'
import { byName, moment, text, texts } from '../../device/kept-fields.ts'

const lane = object({
  id: text(),
  title: text(),
  procedure: text(),
  group: number().nullable().defined(),
  side: number().nullable().defined(),
  machine: object({ groups: number().defined(), sides: number().defined() }).required(),
  // Their words and doses were checked when the procedure was kept.
  steps: array(object({ id: text(), say: text(), act: string().oneOf(acts).required() }).required()).defined(),
  after: texts(),
})

const state = object({
  startedAt: moment(),
  at: byName(number().defined()),
  hand: string().nullable().defined(),
  since: moment(),
  cadences: byName(object({ positionS: number().defined(), movingSince: number().nullable().defined() }).required()),
  soaks: byName(object({ from: moment(), until: moment() }).required()),
  spent: byName(number().defined()),
  records: array(
    object({
      lane: text(),
      step: text(),
      how: string().oneOf(['done', 'skipped', 'again', 'taken back', 'stopped']).required(),
      at: moment(),
    }).required(),
  ).defined(),
  pausedAt: number().nullable().defined(),
  ended: mixed()
    .nullable()
    .test(
      'ended',
      'must say when and how it ended',
      (ended) =>
        ended === null || (typeof ended === 'object' && ended !== undefined && 'at' in ended && 'how' in ended),
    ),
})

/** A run as a device keeps it, see `KeptRun`. */
export const runSchema = object({
  running: array(
    object({
      procedure: object({ id: text(), name: text(), version: number().defined() }).required(),
      way: object({ id: text() }).required(),
    }).required(),
  ).defined(),
  lanes: array(lane.required()).defined(),
  state: state.required(),
  ids: texts(),
  held: array(object({ inside: object().required(), entry: object({ id: text() }).required() }).required()).defined(),
})

export const watchedSchema = object({ at: moment() }).noUnknown()
