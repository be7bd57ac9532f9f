import type { Kind } from '../../core/kinds/kind.ts'
import { stationOf } from '../../core/ledger/station-of.ts'
import type { Standing } from '../../core/standing/standing.ts'
import { dayShort, monthYear } from '../../ui/format.ts'
import type { MachineBundle } from '../../views/machine-bundle.ts'
import type { FaultView } from '../fault/FaultLens.tsx'
import { railName } from '../path/layout.ts'
import type { Hanging } from '../path/StationMark.tsx'

const untouched = 'not touched'

/** Suspicion worth a station of its own on a folded path. */
const worthShowing = 0.04

interface Kept {
  lens: string
  standings: Standing[]
  /** Key of the standing that is chosen. */
  key: string | null
  kind: Kind | null
  fault: FaultView | null
}

/** Stations that a folded path keeps: what is due, chosen, heated, or suspected, by the lens. */
export function keptStations({ lens, standings, key, kind, fault }: Kept): Set<string> {
  if (lens === 'fault' && fault)
    return new Set([...fault.at].flatMap(([id, p]) => (p > worthShowing || id === fault.next ? [id] : [])))
  return new Set([
    ...standings.slice(0, 2).map(({ station }) => station),
    ...standings.flatMap((standing) => (standing.key === key ? [standing.station] : [])),
    ...(lens === 'water' ? ['mains', 'tank', 'softener', ...(kind?.vessels.map((one) => one.station) ?? [])] : []),
  ])
}

/** Stations that have something to say in a lens: what is due, suspected, tested or on record there. */
export function spokenStations(lens: string, hanging: Map<string, Hanging>, fault: FaultView | null): Set<string> {
  const hung = [...hanging].flatMap(([id, { standings, words }]) =>
    standings.length > 0 || (words && words !== untouched) ? [id] : [],
  )
  if (lens !== 'fault' || !fault) return new Set(hung)
  return new Set([...hung, ...(fault.next ? [fault.next] : []), ...fault.done.map(({ station }) => station)])
}

/** Rails of which no station has anything to say, as they are called, with how many stations stand on each. */
export function foldedRails(kind: Kind, without: Set<string>, spoken: Set<string>): { name: string; count: number }[] {
  return kind.lines.flatMap((line) => {
    const here = line.stations.filter((id) => !without.has(id))
    if (line.lane < 2 || here.length === 0 || here.some((id) => spoken.has(id))) return []
    return [{ name: railName(line), count: here.length }]
  })
}

interface Hung {
  lens: string
  bundle: MachineBundle
  standings: Standing[]
  kind: Kind | null
  /** Stations the chosen work is about. */
  work: string[]
  fault: FaultView | null
  today: string
}

/** What hangs from each station, by the lens. */
export function hangingFor({ lens, bundle, standings, kind, work, fault, today }: Hung): Map<string, Hanging> {
  const said = (words: Iterable<readonly [string, string]>): Map<string, Hanging> =>
    new Map([...words].map(([id, one]) => [id, { standings: [], ...(one && { words: one }) }]))
  const stations = [...new Set(standings.map(({ station }) => station))]
  switch (lens) {
    case 'water':
      return said((kind?.vessels ?? []).map(({ station }) => [station, '']))
    case 'work':
      return said(work.map((id) => [id, 'worked on']))
    case 'fault':
      return said([...(fault?.at ?? [])].map(([id, p]) => [id, p < 0.005 ? '' : `${Math.round(100 * p)} %`]))
    case 'ledger': {
      if (bundle.atFirstSight) return said(stations.map((id) => [id, '']))
      const touched = touchedAt(bundle, kind)
      return said(
        stations.map((id) => {
          const there = touched.get(id)
          return [id, there ? `${nearWords(there.on, today)} · ${there.count}${bundle.leftOut ? '+' : ''}` : untouched]
        }),
      )
    }
    default: {
      const map = new Map<string, Hanging>()
      for (const standing of standings) {
        const there = map.get(standing.station) ?? { standings: [] }
        there.standings.push(standing)
        map.set(standing.station, there)
      }
      return map
    }
  }
}

/** When each station was last touched, and how often. */
function touchedAt(bundle: MachineBundle, kind: Kind | null): Map<string, { on: string; count: number }> {
  const touched = new Map<string, { on: string; count: number }>()
  for (const entry of [...(bundle.ledgers.machine ?? []), ...(bundle.ledgers.softener ?? [])]) {
    const at = stationOf(entry, kind)
    if (!at) continue
    const there = touched.get(at)
    touched.set(at, {
      on: there && there.on > entry.happenedOn ? there.on : entry.happenedOn,
      count: (there?.count ?? 0) + 1,
    })
  }
  return touched
}

/** A day of this year, else its month: a station's column is thirteen letters wide. */
const nearWords = (on: string, today: string) =>
  on.slice(0, 4) === today.slice(0, 4) ? dayShort(on) : `${monthYear(on).slice(0, 4)}${on.slice(2, 4)}`
