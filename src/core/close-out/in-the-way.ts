import type { Kind } from '../kinds/kind.ts'
import { shownUnit } from '../kinds/kind.ts'
import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import { upper } from '../ledger/phrases.ts'
import { type HeldReason, heldReasons } from '../procedures/held-reasons.ts'
import { doneLines } from './done-lines.ts'

/** What has to be seen to before a visit closes, in the order in which a good technician would. */
const wayKinds = ['gate', 'run', 'sheet', 'test-out', 'counter'] as const
export type WayKind = (typeof wayKinds)[number]

/** One thing in the way of closing: what it is, and whether and how the visit may close over it. */
export interface InTheWay {
  key: string
  what: WayKind
  subjectId: string
  /** What to do, as it is said: Read the counter. */
  title: string
  /** Where and how, in a line. */
  words: string
  /** Of hands, about. */
  minutes: number
  /**
   * `isolated`: only with the machine made safe and tagged, which the report says; `reason`: with a word why; null: it
   * has to be done, or ended where it was begun.
   */
  closesAs: 'isolated' | 'reason' | null
  /** The entry that holds the machine, or the part that guards it and was left as it should not be. */
  heldId?: string
  part?: string
}

/** What is known of one machine at the end of a visit. */
export interface AtTheEnd {
  machineId: string
  kind: Kind | null
  /** Effective entries of the machine, in order; of all times. */
  entries: readonly Entry[]
  visitId: string
  /** A run that was begun and is not ended, or a sheet with things not back in, as far as this device knows. */
  underWay: readonly ('run' | 'sheet')[]
}

/** Entries that say hands were in the machine. */
const handsIn = new Set<Entry['kind']>([
  'fitted',
  'removed',
  'inspected',
  'cleaned',
  'greased',
  'checked',
  'serviced',
  'descaled',
  'repaired',
  'strip-down',
  'run',
])

/**
 * What stands in the way of closing a visit at one machine. What is not for use stands first: it closes isolated and
 * tagged, or not at all. A repair wants its test-out. A counter that was not read, where there is one, may be left with
 * a reason: tomorrow it is one shot more, and no reckoning is better without it.
 *
 * @example inTheWay({ machineId, kind, entries, visitId, underWay: [] }) // [{ what: 'counter', closesAs: 'reason', … }]
 */
export function inTheWay({ machineId, kind, entries, visitId, underWay }: AtTheEnd): InTheWay[] {
  const here = entries.filter((entry) => entry.visitId === visitId)
  const ways: InTheWay[] = []
  const released = new Set(entries.filter(isKind('released')).map(({ body }) => body.held))
  for (const held of entries.filter(isKind('held'))) {
    if (released.has(held.id)) continue
    ways.push({
      key: `gate ${held.id}`,
      what: 'gate',
      subjectId: machineId,
      title: held.body.only ? 'Sign its milk off' : 'Sign the gate off',
      words: `${gateWords(held.body.why)}${held.body.group ? `, group ${held.body.group}` : ''}`,
      minutes: gateMinutes(held.body.why),
      closesAs: 'isolated',
      heldId: held.id,
    })
  }
  for (const line of doneLines(kind, here)) {
    if (!line.isOpen || !line.part || !guards(kind, line.part)) continue
    ways.push({
      key: `gate ${machineId} ${line.part}`,
      what: 'gate',
      subjectId: machineId,
      title: `${upper(line.name)}: make it safe`,
      words: `left ${line.foundLeft?.leftWords ?? 'out'}: nobody runs a machine on that, not for a day`,
      minutes: 10,
      closesAs: 'isolated',
      part: line.part,
    })
  }
  if (underWay.includes('run'))
    ways.push({
      key: `run ${machineId}`,
      what: 'run',
      subjectId: machineId,
      title: 'End the run',
      words: 'it was begun here and is not ended',
      minutes: 1,
      closesAs: null,
    })
  if (underWay.includes('sheet'))
    ways.push({
      key: `sheet ${machineId}`,
      what: 'sheet',
      subjectId: machineId,
      title: 'End the strip-down',
      words: 'things on its sheet are not back in',
      minutes: 2,
      closesAs: null,
    })
  const repair = here.filter(isKind('repaired')).at(-1)
  const isTested = (repairAt: string) =>
    here.some((entry) => entry.kind === 'tested-out' && entry.happenedAt >= repairAt)
  if (repair && !isTested(repair.happenedAt))
    ways.push({
      key: `test-out ${machineId}`,
      what: 'test-out',
      subjectId: machineId,
      title: 'Test it out',
      words: `repaired: ${repair.body.text}`,
      minutes: 4,
      closesAs: null,
    })
  const isCounted = kind !== null && !kind.uncounted
  if (isCounted && here.some(({ kind: what }) => handsIn.has(what)) && !here.some(isKind('reading')))
    ways.push({
      key: `counter ${machineId}`,
      what: 'counter',
      subjectId: machineId,
      title: 'Read the counter',
      words: `${shownUnit(kind)}: what it shows now, or why it cannot be read`,
      minutes: 1,
      closesAs: 'reason',
    })
  return ways
}

/** What holds heat or pressure back when all else fails: what sticks on a heater is isolated, never left for now. */
const alwaysGuards = new Set(['relay', 'contactor', 'thermal-fuse', 'thermostat', 'safety-valve', 'cut-out'])

/** Whether a part stands between somebody and an accident. Common practice, no source. */
const guards = (kind: Kind | null, part: string): boolean =>
  alwaysGuards.has(part) || Boolean(kind?.tasks.some((task) => task.part === part && task.safety))

function gateWords(why: HeldReason): string {
  return heldReasons[why].drink ? `${heldReasons[why].words}: nobody may drink from it` : heldReasons[why].words
}

/** Of hands, about: a rinse until it runs clear, or a test with an instrument. From memory. */
const gateMinutes = (why: HeldReason): number => (heldReasons[why].drink ? 4 : 10)

/** A machine that was left safe and tagged: by which of its gates, and how. */
export interface Isolated {
  subjectId: string
  held?: string | undefined
  part?: string | undefined
  how: string
}

export const isOf = (one: Pick<Isolated, 'subjectId' | 'held' | 'part'>, way: InTheWay): boolean =>
  one.subjectId === way.subjectId && (one.held ?? '') === (way.heldId ?? '') && (one.part ?? '') === (way.part ?? '')

/** What would be closed over without a word, or without having been made safe. */
export function stillOpen(
  ways: readonly InTheWay[],
  told: { left: readonly { subjectId: string; what: string; reason: string }[]; isolated: readonly Isolated[] },
): InTheWay[] {
  return ways.filter((way) => {
    if (way.closesAs === 'isolated') return !told.isolated.some((one) => isOf(one, way))
    if (way.closesAs === 'reason')
      return !told.left.some(
        ({ subjectId, what, reason }) => subjectId === way.subjectId && what === way.what && reason.trim() !== '',
      )
    return true
  })
}
