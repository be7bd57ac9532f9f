import highsOf from 'highs'
import type { FirmProblem } from '../../../src/core/visits/firm-problem.ts'

/**
 * A firm’s plan as an integer program: which set of sites each technician goes round on each day, which task is done
 * on which day. It shares no code with the planner; the way round a set is the shortest of all its orders.
 *
 * @returns the least cost, proven by the HiGHS solver
 */
export async function leastCostBySolver(problem: FirmProblem): Promise<number> {
  const { sites, technicians, travelMin, days, daysAfter, overCost, changedCost } = problem
  const costs: [number, string][] = []
  const rules: string[] = []
  const binary: string[] = []
  const sum = (names: string[]) => names.join(' + ')
  /** The sets that go to a site with a technician on a day. */
  const going = (s: number, k: number, d: number) => sets(s, k, d).map((set) => `z_${k}_${d}_${set}`)
  const isSettled = (s: number, k: number, d: number) =>
    sites[s]!.settled.some((visit) => visit.day === d && visit.technician === k)
  const mayGo = (s: number, k: number, d: number) =>
    isSettled(s, k, d) ||
    (Boolean(sites[s]!.isOpen[d]) &&
      technicians[k]!.hoursMin[d]! > 0 &&
      Number.isFinite(sites[s]!.technicianCost[k]!) &&
      !sites[s]!.settled.some((visit) => visit.day === d))
  const sets = (s: number | null, k: number, d: number) => {
    const all: number[] = []
    for (let set = 1; set < 1 << sites.length; set++)
      if ((s === null || set & (1 << s)) && sites.every((_, other) => !(set & (1 << other)) || mayGo(other, k, d)))
        all.push(set)
    return all
  }

  for (const k of technicians.keys())
    for (let d = 0; d < days; d++) {
      const work: string[] = []
      for (const set of sets(null, k, d)) {
        const those = [...sites.keys()].filter((s) => set & (1 << s))
        const road = roundOf(
          travelMin,
          technicians[k]!.place,
          those.map((s) => sites[s]!.place),
        )
        const stops = those.reduce((all, s) => all + sites[s]!.stopMin, 0)
        const chosen = those
          .filter((s) => !isSettled(s, k, d))
          .reduce((all, s) => all + sites[s]!.stopMin + (sites[s]!.dayCost?.[d] ?? 0) + sites[s]!.technicianCost[k]!, 0)
        costs.push([road + chosen, `z_${k}_${d}_${set}`])
        binary.push(`z_${k}_${d}_${set}`)
        work.push(`${road + stops} z_${k}_${d}_${set}`)
      }
      if (work.length === 0) continue
      rules.push(`${sum(sets(null, k, d).map((set) => `z_${k}_${d}_${set}`))} <= 1`)
      for (const [s, { tasks }] of sites.entries())
        if (mayGo(s, k, d))
          for (const [t, { minutes }] of tasks.entries()) work.push(`${minutes} y_${s}_${t}_${k}_${d}`)
      costs.push([overCost, `over_${k}_${d}`])
      rules.push(`${sum(work)} - over_${k}_${d} <= ${technicians[k]!.hoursMin[d]!}`)
    }
  for (const [s, site] of sites.entries()) {
    for (let d = 0; d < days; d++) {
      const anybody = [...technicians.keys()].flatMap((k) => going(s, k, d))
      if (anybody.length > 0) rules.push(`${sum(anybody)} <= 1`)
      if (!site.roomMin || anybody.length === 0) continue
      const there = anybody.map((name) => `${site.stopMin} ${name}`)
      for (const k of technicians.keys())
        if (mayGo(s, k, d))
          for (const [t, { minutes, costOn }] of site.tasks.entries())
            if (Number.isFinite(costOn[d]!)) there.push(`${minutes} y_${s}_${t}_${k}_${d}`)
      costs.push([overCost, `room_${s}_${d}`])
      rules.push(`${sum(there)} - room_${s}_${d} <= ${site.roomMin[d]!}`)
    }
    for (const visit of site.settled) rules.push(`${sum(going(s, visit.technician, visit.day))} = 1`)
    // Nobody goes anywhere for nothing, to keep a promise with an empty visit.
    for (const k of technicians.keys())
      for (let d = 0; d < days; d++) {
        if (!mayGo(s, k, d) || isSettled(s, k, d)) continue
        const done = [...site.tasks.keys()].filter((t) => Number.isFinite(site.tasks[t]!.costOn[d]!))
        rules.push(
          [...going(s, k, d), ...done.map((t) => `- y_${s}_${t}_${k}_${d}`)].join(' + ').replaceAll('+ -', '-') +
            ' <= 0',
        )
      }
    for (let after = 0; after < daysAfter; after++) {
      costs.push([site.laterTripCost, `v_${s}_${after}`])
      binary.push(`v_${s}_${after}`)
    }
    for (const [w, { day, technician }] of site.was.entries()) {
      costs.push([changedCost, `u_${s}_${w}`])
      binary.push(`u_${s}_${w}`)
      const kept = going(s, technician, day)
      rules.push(`u_${s}_${w}${kept.map((name) => ` + ${name}`).join('')} >= 1`)
    }
    for (const [t, { costOn, leftCost }] of site.tasks.entries()) {
      const settled = site.settled.find(({ tasks }) => tasks.includes(t))
      const ways: string[] = []
      for (const k of technicians.keys())
        for (let d = 0; d < days; d++) {
          if (!mayGo(s, k, d) || !Number.isFinite(costOn[d]!)) continue
          const name = `y_${s}_${t}_${k}_${d}`
          ways.push(name)
          costs.push([costOn[d]!, name])
          binary.push(name)
          rules.push(
            `${name}${going(s, k, d)
              .map((set) => ` - ${set}`)
              .join('')} <= 0`,
          )
        }
      for (let after = 0; after < daysAfter; after++) {
        if (!Number.isFinite(costOn[days + after]!)) continue
        const name = `y_${s}_${t}_after_${after}`
        ways.push(name)
        costs.push([costOn[days + after]!, name])
        binary.push(name)
        rules.push(`${name} - v_${s}_${after} <= 0`)
      }
      ways.push(`left_${s}_${t}`)
      costs.push([leftCost, `left_${s}_${t}`])
      binary.push(`left_${s}_${t}`)
      rules.push(`${sum(ways)} = 1`)
      if (settled) rules.push(`y_${s}_${t}_${settled.technician}_${settled.day} = 1`)
      // A task that must not be done on a day still stands in its minutes: never chosen there.
      for (const k of technicians.keys())
        for (let d = 0; d < days; d++)
          if (mayGo(s, k, d) && !Number.isFinite(costOn[d]!)) rules.push(`y_${s}_${t}_${k}_${d} = 0`)
    }
  }
  const text = [
    'Minimize',
    ` obj: ${costs.map(([cost, name]) => `${cost.toFixed(9)} ${name}`).join(' + ')}`,
    'Subject To',
    ...rules.map((rule, i) => ` r${i}: ${rule}`),
    'Binary',
    ` ${binary.join(' ')}`,
    'End',
  ].join('\n')
  const highs = await highsOf()
  const { Status, ObjectiveValue } = highs.solve(text, { mip_rel_gap: 1e-6, output_flag: false })
  if (Status !== 'Optimal') throw new Error(`the solver says ${Status}`)
  return ObjectiveValue
}

/** The shortest of all orders. */
export function roundOf(travelMin: readonly (readonly number[])[], home: number, places: number[]): number {
  const go = (at: number, left: number[]): number =>
    left.length === 0
      ? travelMin[at]![home]!
      : Math.min(
          ...left.map(
            (place) =>
              travelMin[at]![place]! +
              go(
                place,
                left.filter((other) => other !== place),
              ),
          ),
        )
  return go(home, places)
}
