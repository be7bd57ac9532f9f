import { randomUUID } from 'node:crypto'
import { diceOf } from '../src/core/quantity/dice.ts'
import { toDay, weekday } from '../src/core/quantity/local-day.ts'
import { normalQuantile } from '../src/core/quantity/normal.ts'
import { roads } from '../src/core/rounds/travel.ts'
import { reckonMachine } from '../src/core/standing/reckon-machine.ts'
import { lateClassOf } from '../src/core/trade/lateness.ts'
import { partWorthMin } from '../src/core/trade/part-worth.ts'
import { planFirm } from '../src/core/visits/firm-plan.ts'
import type { FirmProblem, PlannedVisit } from '../src/core/visits/firm-problem.ts'
import { usualPlanFigures as figures } from '../src/core/visits/plan-figures.ts'
import { type DueTask, taskCosts } from '../src/core/visits/task-costs.ts'
import { stayAtHome, Tours } from '../src/core/visits/tours.ts'
import { siteHistory } from '../src/demo/site-history.ts'
import { placeAt, yardAt } from '../src/demo/town.ts'
import { demoSites } from '../src/demo/world.ts'

// `npm run bench:replay`: a year of the made-up firm, planned day by day without knowing what comes, against each task
// on its own date and against fixed rounds. When each task really falls due is drawn once, from the window its own
// history gives it, and is the same for all three.

const endDay = toDay('2026-11-26')
const yearDays = 365
const people = ['ines', 'odile'] as const
/** What comes round oftener is done on every visit anyway. */
const leastLife = 28
const planDays = 84
const weeksAfter = 14
/** A plan is made anew every working day: so many rounds of search a time. */
const roundsADay = 40

/** A task that comes round and round. */
interface Round {
  site: number
  minutes: number
  replaces: boolean
  worthMin: number
  late: DueTask['late']
  life: number
  /** Of a life: how much sooner or later it may be over. */
  sooner: number
  longer: number
  /** Days before the year it was done last. */
  doneBefore: number
}

function roundsOf(): Round[] {
  return demoSites.flatMap((site, s) => {
    const ids = {
      siteId: randomUUID(),
      softenerId: site.softener ? randomUUID() : null,
      machineIds: site.machines.map(() => randomUUID()),
      technicianId: randomUUID(),
      gaugeId: randomUUID(),
      reagentId: randomUUID(),
    }
    const { entries } = siteHistory('replay', site, ids, endDay)
    const about = (id: string | null) => entries.filter(({ subjectId }) => subjectId === id)
    return site.machines.flatMap(({ softened }, i) => {
      const ledgers = {
        machine: about(ids.machineIds[i]!),
        site: about(ids.siteId),
        ...(softened && { softener: about(ids.softenerId) }),
      }
      const standings = reckonMachine(ledgers as never, { showWorking: false })?.standings ?? []
      return standings.flatMap((standing): Round[] => {
        const { due, since, minutes, action, part } = standing
        if (!due || !since) return []
        const life = toDay(due.p50) - toDay(since)
        if (life < leastLife) return []
        const replaces = action === 'replace'
        return [
          {
            site: s,
            minutes,
            replaces,
            worthMin: minutes + (replaces ? partWorthMin(part) : 0),
            late:
              standing.governing === 'hygiene' || standing.governing === 'certificate' ? 'hard' : lateClassOf(standing),
            life,
            sooner: Math.min(0.9, (toDay(due.p50) - toDay(due.p10)) / life),
            longer: Math.min(3, (toDay(due.p90) - toDay(due.p50)) / life),
            doneBefore: Math.min(life, endDay - toDay(since)),
          },
        ]
      })
    })
  })
}

/** One way to run the year: which tasks are done on a day at which sites, told nothing but the windows. */
type Policy = (day: number, last: readonly number[]) => Map<number, number[]>

const tasks = roundsOf()
const firstDay = endDay + 1
const road = roads(
  new Map([...demoSites.map((site, s) => [`${s}`, placeAt(site.fromYardKm)] as const), ['home', yardAt] as const]),
  { figures: figures.roads, typed: [], driven: [] },
)
const ids = [...demoSites.map((_, s) => `${s}`), 'home', 'home']
const travelMin = ids.map((from) => ids.map((to) => (from === to ? 0 : road(from, to).minutes)))
const isWorkday = (day: number) => weekday(firstDay + day) <= 5
const isOpen = (site: number, day: number) =>
  isWorkday(day) && demoSites[site]!.openWeekdays.includes(weekday(firstDay + day))
const nextOpen = (site: number, day: number) => {
  let on = Math.max(0, Math.ceil(day))
  while (!isOpen(site, on)) on += 1
  return on
}

/** When each life really is over, one after the other: drawn once. */
const truth = tasks.map(({ life, sooner, longer }, t) => {
  const dice = diceOf(1000 + t)
  return Array.from({ length: 40 }, () => {
    const z = normalQuantile(Math.min(0.999, Math.max(0.001, dice.next()))) / normalQuantile(0.9)
    return Math.max(3, life * (1 + (z < 0 ? z * sooner : z * longer)))
  })
})

function run(name: string, policy: Policy): void {
  const last = tasks.map(({ doneBefore }) => -doneBefore)
  const lives = tasks.map(() => 0)
  const tours = new Tours(travelMin)
  const sum = { trips: 0, visits: 0, road: 0, work: 0, thrown: 0, late: 0, lateDays: 0, done: 0 }
  for (let day = 0; day < yearDays; day++) {
    if (!isWorkday(day)) continue
    const visits = policy(day, last)
    for (const [k, who] of people.entries()) {
      const places = [...visits.keys()].filter((site) => demoSites[site]!.technician === who)
      if (places.length === 0) continue
      const tour = places.length > 0 ? tours.round(demoSites.length + k, places) : stayAtHome
      sum.trips += 1
      sum.visits += places.length
      sum.road += tour.roadMin
      sum.work += places.length * figures.stopMin
    }
    for (const those of visits.values())
      for (const t of those) {
        const { minutes, replaces, worthMin } = tasks[t]!
        const over = last[t]! + truth[t]![lives[t]!]!
        sum.done += 1
        sum.work += minutes
        if (day > over) {
          sum.late += 1
          sum.lateDays += day - over
        } else if (replaces) sum.thrown += (worthMin * (over - day)) / truth[t]![lives[t]!]!
        last[t] = day
        lives[t] = (lives[t]! + 1) % 40
      }
  }
  const hours = (minutes: number) => `${Math.round(minutes / 60)} h`
  console.log(
    `| ${name} | ${sum.trips} | ${sum.visits} | ${hours(sum.road)} | ${hours(sum.work)} | ${hours(sum.thrown)} | ${sum.late} of ${sum.done} | ${(sum.lateDays / Math.max(1, sum.late)).toFixed(0)} d |`,
  )
}

const bySite = (those: number[]): Map<number, number[]> => {
  const visits = new Map<number, number[]>()
  for (const t of those) visits.set(tasks[t]!.site, [...(visits.get(tasks[t]!.site) ?? []), t])
  return visits
}

/** Each task on the day in the middle of its window. */
const onItsDate: Policy = (day, last) =>
  bySite(tasks.flatMap(({ life, site }, t) => (nextOpen(site, last[t]! + life) <= day && isOpen(site, day) ? [t] : [])))

/** Every site once in thirteen weeks, with all that falls due until the next time. */
const quarterly: Policy = (day, last) =>
  bySite(
    tasks.flatMap(({ life, site }, t) => {
      const turn = nextOpen(site, 91 * Math.floor(day / 91) + ((site * 5) % 85))
      return turn === day && last[t]! + life < day + 91 ? [t] : []
    }),
  )

/** As the firm plans: twelve weeks ahead, made anew every working day, what was proposed stays where it is as good. */
function planned(): Policy {
  let given: PlannedVisit[][] | undefined
  let was: { site: number; on: number; technician: number }[] = []
  return (day, last) => {
    // What falls due after all of the plan is not in it yet.
    const isSeen = (t: number, s: number) =>
      tasks[t]!.site === s && last[t]! + tasks[t]!.life <= day + planDays + 7 * (weeksAfter - 1)
    const own = demoSites.map((_, s) => tasks.flatMap((_, t) => (isSeen(t, s) ? [t] : [])))
    const columns = [
      ...Array.from({ length: planDays }, (_, d) => day + d),
      ...Array.from({ length: weeksAfter }, (_, w) => day + planDays + 7 * w),
    ]
    const problem: FirmProblem = {
      days: planDays,
      daysAfter: weeksAfter,
      travelMin,
      sites: demoSites.map((site, s) => ({
        place: s,
        tasks: tasks.flatMap((task, t) => {
          const p50 = last[t]! + task.life
          if (!isSeen(t, s)) return []
          const costs = taskCosts(
            {
              p10: p50 - task.sooner * task.life,
              p50,
              p90: p50 + task.longer * task.life,
              since: last[t]!,
              worthMin: task.worthMin,
              late: task.late,
            },
            columns,
            figures,
          )
          return [
            { costOn: costs.early.map((early, d) => early + costs.late[d]!), leftCost: 1e5, minutes: task.minutes },
          ]
        }),
        isOpen: Array.from({ length: planDays }, (_, d) => isOpen(s, day + d)),
        stopMin: figures.stopMin,
        technicianCost: people.map((who) => (who === site.technician ? 0 : 1000)),
        settled: [],
        was: was.flatMap(({ site: of, on, technician }) =>
          of === s && on >= day ? [{ day: on - day, technician }] : [],
        ),
        laterTripCost: 2 * travelMin[demoSites.length]![s]! + figures.stopMin,
      })),
      technicians: people.map((_, k) => ({
        place: demoSites.length + k,
        hoursMin: Array.from({ length: planDays }, (_, d) => (isWorkday(day + d) ? 480 : 0)),
      })),
      overCost: figures.overCost,
      changedCost: figures.changedCost,
    }
    const { plan } = planFirm(problem, {
      rounds: roundsADay,
      seed: day + 1,
      ...(given && { given: sinceThen(given, day, problem, own) }),
    })
    given = plan.map((visits, s) => visits.map((visit) => ({ ...visit, tasks: visit.tasks.map((t) => own[s]![t]!) })))
    plannedOn = day
    was = plan.flatMap((visits, s) =>
      visits.flatMap(({ day: d, technician }) => (technician === null ? [] : [{ site: s, on: day + d, technician }])),
    )
    return new Map(
      plan.flatMap((visits, s) => {
        const today = visits.filter((visit) => visit.day === 0 && visit.technician !== null)
        const those = today.flatMap((visit) => visit.tasks.map((t) => own[s]![t]!))
        return those.length > 0 ? [[s, those] as const] : []
      }),
    )
  }
}

let plannedOn = 0

/** The plan of the working day before, by the days of this one; what was done goes to where it costs least anew. */
function sinceThen(given: PlannedVisit[][], day: number, problem: FirmProblem, own: number[][]): PlannedVisit[][] {
  const by = day - plannedOn
  return given.map((visits, s) => {
    const moved = visits.flatMap((visit): PlannedVisit[] => {
      const those = visit.tasks.map((t) => own[s]!.indexOf(t)).filter((t) => t >= 0)
      const to = visit.day - by
      return visit.technician === null || to < 0 || those.length === 0 ? [] : [{ ...visit, day: to, tasks: those }]
    })
    const has = new Set(moved.flatMap((visit) => visit.tasks))
    // The rest waits after the plan, until it is planned.
    const rest = own[s]!.map((_, t) => t).filter((t) => !has.has(t))
    return rest.length > 0 ? [...moved, { day: problem.days, technician: null, tasks: rest, settled: false }] : moved
  })
}

console.log(`${demoSites.length} sites, ${tasks.length} tasks that come round in ${leastLife} days or more, one year.`)
console.log('| | trips | visits | road | work | life thrown away | late | late by |')
console.log('| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: |')
run('each task on its own date', onItsDate)
run('every site once a quarter', quarterly)
run('as planned, day by day', planned())
