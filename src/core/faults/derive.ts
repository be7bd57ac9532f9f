import type { Fault, FaultBook, Symptom, Test } from './fault.ts'

/** What another kind has in common with one whose faults are known, and what it has not. */
export interface BookChange {
  kind: string
  /** Stations by their name there. */
  stations?: Record<string, string>
  /** Where one fault or test has a station of its own there, by its id. */
  where?: Record<string, string>
  /** Parts by their name there; null for one it does not have. */
  parts?: Record<string, string | null>
  /** Procedures it has instead; null for none. */
  procedures?: Record<string, string | null>
  /** Words that are others there, in the order they are put in. */
  words?: [from: string, to: string][]
  /** `customer`: faults a customer can do nothing safe about there. */
  without?: { faults?: string[]; tests?: string[]; symptoms?: string[]; customer?: string[] }
  /** What is complained of there instead, by fault. */
  complaints?: Record<string, Record<string, number>>
  /** What tests it shares tell of faults that only it has. */
  besides?: Record<string, Test['sees']>
  faults?: Fault[]
  symptoms?: Symptom[]
  tests?: Test[]
  phone?: Record<string, string>
  customer?: Record<string, string>
  toStand?: Partial<FaultBook['toStand']>
}

export const omit = <T>(held: Record<string, T>, gone: Iterable<string>): Record<string, T> => {
  const out = new Set(gone)
  return Object.fromEntries(Object.entries(held).filter(([id]) => !out.has(id)))
}

/**
 * The book of a kind that is built like another: what it shares under its own names, without what it has not, with
 * what only it has. Both keep one text where they are one machine.
 *
 * @example likeBook(dvFaults, { kind: 'dg', stations: { boiler: 'thermoblock' } }).faults.length
 */
export function likeBook(from: FaultBook, change: BookChange): FaultBook {
  const { faults = [], tests = [], symptoms = [], customer = [] } = change.without ?? {}
  const said = (text: string) => (change.words ?? []).reduce((now, [a, b]) => now.replaceAll(a, b), text)
  const at = <S extends string | null>(station: S, id?: string): S =>
    (station === null
      ? null
      : ((id === undefined ? undefined : change.where?.[id]) ?? change.stations?.[station] ?? station)) as S
  const allSaid = (held: Record<string, string>) =>
    Object.fromEntries(Object.entries(held).map(([id, text]) => [id, said(text)]))
  return {
    kind: change.kind,
    phone: { ...allSaid(omit(from.phone, tests)), ...change.phone },
    customer: { ...allSaid(omit(from.customer, [...faults, ...customer])), ...change.customer },
    toStand: { ...from.toStand, ...change.toStand },
    symptoms: [
      ...from.symptoms
        .filter(({ id }) => !symptoms.includes(id))
        .map((one) => ({ ...one, name: said(one.name), station: at(one.station) })),
      ...(change.symptoms ?? []),
    ],
    faults: [
      ...from.faults.filter(({ id }) => !faults.includes(id)).map((one) => faultThere(one, change, said, at)),
      ...(change.faults ?? []),
    ],
    tests: [
      ...from.tests
        .filter(({ id }) => !tests.includes(id))
        .map(
          (test): Test => ({
            ...test,
            say: said(test.say),
            ...(test.how && { how: said(test.how) }),
            station: at(test.station, test.id),
            sees: omit({ ...test.sees, ...change.besides?.[test.id] }, faults),
          }),
        ),
      ...(change.tests ?? []),
    ],
  }
}

function faultThere(
  one: Fault,
  { without, parts, procedures, complaints }: BookChange,
  said: (text: string) => string,
  at: <S extends string | null>(station: S, id?: string) => S,
): Fault {
  const { part, repair, ...rest } = one
  const there = part === undefined ? null : (parts?.[part] ?? (parts && part in parts ? null : part))
  const { procedure, ...hands } = repair
  const leads =
    procedure === undefined
      ? null
      : (procedures?.[procedure] ?? (procedures && procedure in procedures ? null : procedure))
  return {
    ...rest,
    name: said(one.name),
    station: at(one.station, one.id),
    complaints: omit(complaints?.[one.id] ?? one.complaints, without?.symptoms ?? []),
    ...(there && { part: there }),
    repair: { ...hands, say: said(repair.say), ...(leads && { procedure: leads }) },
  }
}
