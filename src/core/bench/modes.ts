import type { FaultBook, Test } from '../faults/fault.ts'
import { type BookPart, type Does, doesOf, modeFault, ownModes } from '../faults/modes.ts'
import { ownLooks } from '../faults/own-looks.ts'
import { sorts } from '../faults/sorts/index.ts'
import type { Mode } from '../faults/sorts/sort.ts'
import type { BenchKind, Shown } from './bench-kind.ts'
import { tellsOf } from './tells.ts'

/** A machine on the bench, the same one sound, and which part of it failed how. */
interface Marked<State> {
  of: State
  sound: State
  /** The fault it was broken by. */
  fault: string | null
  /** What whoever works with it can tell of how it comes. */
  tells: Record<string, string>
  /** Tests that show nothing of it on this one, as its sort says of some. */
  shy: Set<string>
}

/** A failure of a part: what it does, and which looks find the part sound that what does the same fails at. */
interface Failure {
  mode: Mode
  does: Does
  own: Set<string>
}

/**
 * A bench with every failure its parts can have. By its own physics each does what the fault does that it is like; looks
 * at that one's part find it sound, looks at its own find it.
 *
 * @param written - the book before its parts' failures were put to it, for which the bench was made
 * @param whole - with them
 */
export function benchWithModes<State>(
  bench: BenchKind<State>,
  written: FaultBook,
  whole: FaultBook,
  parts: BookPart[],
): BenchKind<Marked<State>> {
  const failures = new Map<string, Failure>()
  for (const part of parts)
    for (const mode of ownModes(part)) {
      const does = doesOf(part, mode)
      const like = written.faults.find(({ id }) => id === does.like)!
      failures.set(modeFault(part, mode), { mode, does, own: new Set(ownLooks(written, like)) })
    }
  const known = new Set(whole.symptoms.map(({ id }) => id))
  const testById = new Map(whole.tests.map((test) => [test.id, test]))
  return {
    kind: bench.kind,
    sound: (dice) => {
      const of = bench.sound(dice)
      return { of, sound: structuredClone(of), fault: null, tells: {}, shy: new Set() }
    },
    faults: Object.fromEntries(
      whole.faults.map(({ id }) => [
        id,
        (state: Marked<State>, severity, dice) => {
          state.fault = id
          state.tells = tellsOf(whole, id, dice)
          const failure = failures.get(id)
          state.shy = new Set(sometimesShown(id).flatMap(([test, p]) => (dice.next() < p ? [] : [test])))
          if (!failure?.does.alone) bench.faults[failure?.does.like ?? id]!(state.of, severity, dice)
        },
      ]),
    ),
    notices: ({ of, fault }) => {
      const failure = fault === null ? undefined : failures.get(fault)
      if (!failure) return bench.notices(of)
      const { does, mode } = failure
      const usual = does.complaints ? Object.keys(does.complaints) : bench.notices(of)
      return [...new Set([...usual, ...Object.keys(mode.complaints ?? {})])].filter((id) => known.has(id))
    },
    tests: {
      ...asked(whole, bench),
      ...Object.fromEntries(
        Object.entries(bench.tests).map(([id, { by, shows }]) => [
          id,
          {
            by,
            shows: ({ of, sound, fault, tells, shy }: Marked<State>): Shown => {
              if (tells[id]) return tells[id]
              if (shy.has(id)) return shows(sound)
              const failure = fault === null ? undefined : failures.get(fault)
              const seen = failure && mainly(failure.does.shows?.[id])
              if (seen) return shownAs(testById.get(id)!, seen)
              // A look of the book at the part itself finds what its own bench knows, and what its sort does.
              const part = parts.find(({ lookedBy }) => Object.values(lookedBy ?? {}).includes(id))
              const look = part && sorts[part.sort].looks.find((one) => part.lookedBy![one.id] === id)
              const own = failure && part && look && mainly(modeOf(part, fault)?.shows[look.id])
              if (own) return own
              return shows(failure?.own.has(id) ? sound : of)
            },
          },
        ]),
      ),
      ...Object.fromEntries(
        parts.flatMap((part) =>
          sorts[part.sort].looks.flatMap((look): [string, BenchKind<Marked<State>>['tests'][string]][] => {
            const test =
              part.notLooked?.[look.id] || part.lookedBy?.[look.id] ? undefined : testById.get(`${part.id}-${look.id}`)
            return test
              ? [
                  [
                    test.id,
                    {
                      by: 'hand',
                      shows: ({ fault, shy }) =>
                        shownAs(test, shy.has(test.id) ? usualOf(look) : found(part, look, fault)),
                    },
                  ],
                ]
              : []
          }),
        ),
      ),
    },
  }

  /** Tests of a failure with how often it shows there what it mostly shows: no two machines fail quite alike. */
  function sometimesShown(fault: string): [string, number][] {
    const failure = failures.get(fault)
    if (!failure) return []
    const most = (shows: Record<string, number>) => Math.max(...Object.values(shows))
    const looked = parts.flatMap((part) =>
      Object.entries(modeOf(part, fault)?.shows ?? {}).map(([look, shows]): [string, number] => [
        part.lookedBy?.[look] ?? `${part.id}-${look}`,
        most(shows),
      ]),
    )
    const done = Object.entries(failure.does.shows ?? {}).map(([test, shows]): [string, number] => [test, most(shows)])
    return [...looked, ...done]
  }
}

/** What the book asks of how it comes, which the bench’s own physics know nothing of. */
function asked<State>({ tests }: FaultBook, bench: BenchKind<State>): BenchKind<Marked<State>>['tests'] {
  const questions = tests.filter(({ id }) => id.startsWith('ask-') && !bench.tests[id])
  return Object.fromEntries(
    questions.map((test) => [
      test.id,
      { by: 'customer' as const, shows: ({ tells }: Marked<State>): Shown => tells[test.id] ?? usualOf(test) },
    ]),
  )
}

/** What is mostly seen; none where it is as often as not. */
function mainly(shows: Record<string, number> | undefined): string | null {
  const [first] = Object.entries(shows ?? {}).sort((a, b) => b[1] - a[1])
  return first && first[1] >= 0.5 ? first[0] : null
}

/** What a look at a part finds of what is broken: the part's own failure, or nothing. */
function found(part: BookPart, look: Test, fault: string | null): string {
  return mainly(modeOf(part, fault)?.shows[look.id]) ?? usualOf(look)
}

const modeOf = (part: BookPart, fault: string | null): Mode | undefined =>
  sorts[part.sort].modes.find((one) => (part.is?.[one.id] ?? modeFault(part, one)) === fault)

const usualOf = ({ normal }: Test): string => Object.entries(normal).sort((a, b) => b[1] - a[1])[0]![0]

/** An outcome as an instrument shows it: a figure within its band. */
function shownAs({ reads, outcomes }: Test, outcome: string): Shown {
  if (!reads) return outcome
  const at = outcomes.findIndex(({ id }) => id === outcome)
  const from = outcomes[at]!.from ?? 0
  const next = outcomes[at + 1]?.from
  return next === undefined ? from + Math.max(1, 0.4 * Math.abs(from)) : (from + next) / 2
}
