import type { WeeksValley } from '../../../views/weeks-ahead.ts'
import type { VisitChoice } from './visit-choice.ts'

interface Props {
  ways: NonNullable<WeeksValley['days'][number]>['ways']
  usual: string
  names: Map<string, string>
  choice: VisitChoice
}

/** Who could go on the day that is looked at, and how much further it is for them. */
export function WhoGoes({ ways, usual, names, choice }: Props) {
  const own = ways.find(({ technicianId }) => technicianId === usual)
  // One who could go is no choice, unless it is somebody else.
  if (ways.length === 0 || (own && ways.length === 1)) return null
  return (
    <label className="mt-2 flex items-center gap-2 text-[14px]">
      Goes
      <select
        className="field min-h-[44px] min-w-0 flex-1 md:min-h-[36px]"
        value={choice.technicianId ?? usual}
        onChange={(event) => choice.setTechnician(event.target.value === usual ? null : event.target.value)}
      >
        {!own && <option value={usual}>{names.get(usual)?.split(' ')[0]}, not at work that day</option>}
        {ways.map(({ technicianId, roadMin, knows }) => (
          <option key={technicianId} value={technicianId}>
            {names.get(technicianId)?.split(' ')[0]}, {Math.round(roadMin)} min further road
            {own && technicianId !== usual && `, ${difference(roadMin - own.roadMin)}`}
            {!knows && ', does not know a kind there'}
          </option>
        ))}
      </select>
    </label>
  )
}

const difference = (minutes: number): string =>
  Math.round(minutes) === 0 ? 'as near' : `${Math.abs(Math.round(minutes))} min ${minutes > 0 ? 'more' : 'less'}`
