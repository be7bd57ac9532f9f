import { array, number, object, string } from 'yup'
import { amount } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { chooseVisits } from '../visits/choose-visits.ts'
import { InputFault, topic } from './topic.ts'

const day = () => number().integer().min(-100_000).max(100_000)

export const visits = topic({
  name: 'visits',
  about: 'The visits of least cost for the tasks of one place: which days, and what is done on each.',
  schema: object({
    tripCost: amount().required(),
    tasks: array(
      object({
        id: string().required().min(1).max(80),
        earliest: day().required(),
        due: day().required(),
        latest: day().required(),
        earlyCostPerDay: amount().required(),
        lateCostPerDay: amount().required(),
      })
        .noUnknown()
        .required(),
    )
      .required()
      .max(500),
  }).noUnknown(),
  example: {
    tripCost: 52,
    tasks: [
      { id: 'grease', earliest: 0, due: 8, latest: 30, earlyCostPerDay: 0.4, lateCostPerDay: 3 },
      { id: 'tank-filter', earliest: 0, due: 23, latest: 40, earlyCostPerDay: 0.3, lateCostPerDay: 1 },
      { id: 'descale', earliest: 5, due: 33, latest: 35, earlyCostPerDay: 0.9, lateCostPerDay: 3 },
    ],
  },
  reckon({ tripCost, tasks }) {
    for (const [i, { id, earliest, latest }] of tasks.entries()) {
      if (earliest > latest) throw new InputFault(`tasks[${i}].latest`, latest, `is before earliest (${earliest})`)
      if (tasks.findIndex((other) => other.id === id) < i) throw new InputFault(`tasks[${i}].id`, id, 'is given twice')
    }
    const cost = (task: (typeof tasks)[number], on: number) =>
      on < task.earliest || on > task.latest
        ? Number.POSITIVE_INFINITY
        : Math.max(0, task.due - on) * task.earlyCostPerDay + Math.max(0, on - task.due) * task.lateCostPerDay
    // Between these days every cost runs straight: a visit there can be moved to one of them for nothing.
    const days = [...new Set(tasks.flatMap(({ earliest, due, latest }) => [earliest, due, latest]))].sort(
      (a, b) => a - b,
    )
    const chosen = chooseVisits(
      days.map(() => tripCost),
      tasks.map((task) => ({
        costOn: days.map((on) => cost(task, on)),
        leftCost: Number.POSITIVE_INFINITY,
      })),
    )!
    const { lines, add } = startWorking()
    const trip = add({ what: 'A trip', value: tripCost, origin: 'setting' })
    const sums = chosen.visits.map(({ day, tasks: done }) => {
      const on = days[day]!
      const tasksLine = done.map((t) => {
        const task = tasks[t]!
        const late = on - task.due
        return add({
          what: `${task.id} on day ${on}`,
          value: cost(task, on),
          formula:
            late === 0
              ? 'on its day'
              : `${Math.abs(late)} days ${late < 0 ? 'early' : 'late'} × ${late < 0 ? task.earlyCostPerDay : task.lateCostPerDay}`,
          origin: 'reckoned',
        })
      })
      return add({
        what: `Visit on day ${on}`,
        value: tripCost + done.reduce((sum, t) => sum + cost(tasks[t]!, on), 0),
        formula: [trip, ...tasksLine].map((line) => `{${line}}`).join(' + '),
        origin: 'reckoned',
      })
    })
    add({
      what: 'All visits',
      value: chosen.cost,
      formula: sums.length > 0 ? sums.map((line) => `{${line}}`).join(' + ') : 'nothing to do',
      origin: 'reckoned',
    })
    return {
      result: {
        visits: chosen.visits.map(({ day, tasks: done }) => ({
          day: days[day]!,
          tasks: done.map((t) => tasks[t]!.id),
        })),
        cost: chosen.cost,
      },
      working: lines,
    }
  },
})
