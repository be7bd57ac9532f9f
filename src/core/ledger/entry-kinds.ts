import type { EntryDefinition } from './entry-definition.ts'
import { appointment } from './kinds/appointment.ts'
import { calibrated } from './kinds/calibrated.ts'
import { call } from './kinds/call.ts'
import { careDone } from './kinds/care-done.ts'
import { cartridgeChanged } from './kinds/cartridge-changed.ts'
import { certified } from './kinds/certified.ts'
import { checked } from './kinds/checked.ts'
import { claimed } from './kinds/claimed.ts'
import { cleaned } from './kinds/cleaned.ts'
import { commissioned } from './kinds/commissioned.ts'
import { compared } from './kinds/compared.ts'
import { dayOrder } from './kinds/day-order.ts'
import { descaled } from './kinds/descaled.ts'
import { faultReported } from './kinds/fault-reported.ts'
import { fitted } from './kinds/fitted.ts'
import { greased } from './kinds/greased.ts'
import { held } from './kinds/held.ts'
import { inspected } from './kinds/inspected.ts'
import { measured } from './kinds/measured.ts'
import { membraneChanged } from './kinds/membrane-changed.ts'
import { moved } from './kinds/moved.ts'
import { note } from './kinds/note.ts'
import { ownKind } from './kinds/own-kind.ts'
import { ownProcedure } from './kinds/own-procedure.ts'
import { pictured } from './kinds/pictured.ts'
import { prefilterChanged } from './kinds/prefilter-changed.ts'
import { promptSeen } from './kinds/prompt-seen.ts'
import { quoted } from './kinds/quoted.ts'
import { reading } from './kinds/reading.ts'
import { regenerated } from './kinds/regenerated.ts'
import { released } from './kinds/released.ts'
import { remark } from './kinds/remark.ts'
import { remarkClosed } from './kinds/remark-closed.ts'
import { removed } from './kinds/removed.ts'
import { repaired } from './kinds/repaired.ts'
import { run } from './kinds/run.ts'
import { saltAdded } from './kinds/salt-added.ts'
import { serviced } from './kinds/serviced.ts'
import { setting } from './kinds/setting.ts'
import { stage } from './kinds/stage.ts'
import { stripDown } from './kinds/strip-down.ts'
import { takenOver } from './kinds/taken-over.ts'
import { testSeen } from './kinds/test-seen.ts'
import { testedOut } from './kinds/tested-out.ts'
import { visit } from './kinds/visit.ts'
import { visitClosed } from './kinds/visit-closed.ts'
import { waterFigures } from './kinds/water-figures.ts'
import { waterTest } from './kinds/water-test.ts'
import { withdrawn } from './kinds/withdrawn.ts'
import type { Unversioned } from './versions.ts'

/** Every kind of entry, by name: its shapes, its subjects, whose dates it moves, who makes it, its words. */
export const entryKinds = {
  commissioned,
  'taken-over': takenOver,
  reading,
  'water-test': waterTest,
  'water-figures': waterFigures,
  fitted,
  removed,
  inspected,
  cleaned,
  greased,
  checked,
  certified,
  serviced,
  descaled,
  regenerated,
  'salt-added': saltAdded,
  'care-done': careDone,
  'cartridge-changed': cartridgeChanged,
  'membrane-changed': membraneChanged,
  'prefilter-changed': prefilterChanged,
  measured,
  run,
  'strip-down': stripDown,
  held,
  released,
  'prompt-seen': promptSeen,
  'fault-reported': faultReported,
  'test-seen': testSeen,
  repaired,
  'tested-out': testedOut,
  stage,
  moved,
  call,
  appointment,
  'day-order': dayOrder,
  visit,
  'visit-closed': visitClosed,
  quoted,
  claimed,
  remark,
  'remark-closed': remarkClosed,
  calibrated,
  note,
  pictured,
  setting,
  'own-kind': ownKind,
  'own-procedure': ownProcedure,
  compared,
  withdrawn,
} as const

export type EntryKind = keyof typeof entryKinds
/** What an entry of a kind says, in today's shape. */
export type Body<K extends EntryKind> = K extends EntryKind
  ? (typeof entryKinds)[K] extends EntryDefinition<infer B>
    ? B
    : never
  : never

/** Something to be written down: a kind and its body, before it has an id, a subject and a day. */
export type Jotting = { [K in EntryKind]: { kind: K; body: Body<K> } }[EntryKind]
/** The same before it carries the number of its version. */
export type Unnumbered = { [K in EntryKind]: { kind: K; body: Unversioned<Body<K>> } }[EntryKind]
export type JottingOf<K extends EntryKind> = Extract<Jotting, { kind: K }>

export const entryKindNames = Object.keys(entryKinds) as EntryKind[]

/** What is known of a kind of entry, by its name: names and bodies of the registry belong together. */
export const entryKindOf = (kind: EntryKind): EntryDefinition<Jotting['body']> =>
  entryKinds[kind] as unknown as EntryDefinition<Jotting['body']>
