import type { Issue } from '../parse/parse-strict.ts'
import type { Entry } from './entry.ts'

/** Before this nobody kept such a ledger: a year was mistyped. After it, closures planned and seals of testers end. */
const [firstDay, lastDay] = ['1990-01-01', '2100-12-31']
/** Nothing that is read off a machine, in whatever unit, is as much. */
const most = 1e9

/**
 * What is wrong with the values of an entry that is well formed, each at its field. It is asked of what is written now;
 * what was written before stays readable whatever it says.
 */
export function issuesOfValues(entry: Entry): Issue[] {
  return [...issuesOfDays(entry), ...issuesOfCounts(entry), ...issuesWithin(entry.body, 'body')]
}

function issuesOfDays({ happenedOn, happenedAt }: Entry): Issue[] {
  const message = `lies before ${firstDay}`
  if (happenedOn < firstDay) return [{ path: 'happenedOn', code: 'too_early', message, value: happenedOn }]
  // A zone's day begins up to a day before the world's.
  if (happenedAt < '1989-12-31') return [{ path: 'happenedAt', code: 'too_early', message, value: happenedAt }]
  return []
}

/** A board counts whole shots; a meter counts litres, and parts of them. */
function issuesOfCounts(entry: Entry): Issue[] {
  if (entry.kind !== 'reading' || entry.body.counter !== 'shots') return []
  const { count, groups = [], drinks = [], rinses } = entry.body
  const told: [path: string, value: number | undefined][] = [
    ['count', count],
    ...groups.map((value, i): [string, number] => [`groups[${i}]`, value]),
    ...drinks.map((drink, i): [string, number] => [`drinks[${i}].count`, drink.count]),
    ['rinses', rinses],
  ]
  return told
    .filter(([, value]) => value !== undefined && !Number.isInteger(value))
    .map(([path, value]) => ({ path: `body.${path}`, code: 'not_whole', message: 'must be a whole number', value }))
}

/** Numbers nobody measured and days nobody lives to see, wherever they stand in a body. */
function issuesWithin(value: unknown, path: string): Issue[] {
  if (typeof value === 'number')
    return Math.abs(value) <= most ? [] : [{ path, code: 'too_much', message: 'is more than can be measured', value }]
  if (typeof value === 'string') {
    const isDay = /(On|\.from|\.to)$/.test(path) && /^\d{4}-\d\d-\d\d$/.test(value)
    const message = `must lie between ${firstDay} and ${lastDay}`
    return isDay && (value < firstDay || value > lastDay) ? [{ path, code: 'no_such_time', message, value }] : []
  }
  if (Array.isArray(value)) return value.flatMap((one, i) => issuesWithin(one, `${path}[${i}]`))
  if (typeof value === 'object' && value !== null)
    return Object.entries(value).flatMap(([key, one]) => issuesWithin(one, `${path}.${key}`))
  return []
}
