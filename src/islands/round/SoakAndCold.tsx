import { type Handwork, minutesThere, savedByOverlap } from '../../core/visits/minutes-there.ts'
import { hoursWords } from '../../ui/hours.ts'

interface Piece extends Handwork {
  name: string
  machineName: string
  coolMin: number
}

/** Less is lost in how work goes. */
const worthSaying = 3

/** What the soaks of a visit are used for, or that somebody waits for one; nothing where none matters. */
export function soakWords(work: readonly Handwork[]): string {
  const used = Math.round(savedByOverlap(work))
  const waits = Math.round(minutesThere(work) - work.reduce((sum, { minutes }) => sum + minutes, 0))
  return [
    used >= worthSaying && `${hoursWords(used)} of soaking and programmes used for the rest.`,
    waits >= worthSaying && `${hoursWords(waits)} of waiting for them, with nothing else to do here.`,
  ]
    .filter(Boolean)
    .join(' ')
}

/** @example coldWords([{ name: 'Level probe', machineName: 'Left bar', coolMin: 120, minutes: 15 }]) */
export function coldWords(tasks: readonly Piece[]): string {
  const cold = tasks.filter(({ coolMin }) => coolMin > 0)
  if (cold.length === 0) return ''
  const what = cold.map(({ name, machineName }) => `${name}, ${machineName}`).join('; ')
  const longest = Math.max(...cold.map(({ coolMin }) => coolMin))
  return `${what}: ask them to have it off about ${hoursWords(longest)} before (from memory).`
}

/** How the time at a visit is spent beside the hands’ work, and what must be cold when somebody comes. */
export function SoakAndCold({ tasks }: { tasks: readonly Piece[] }) {
  const [soak, cold] = [soakWords(tasks), coldWords(tasks)]
  return (
    <>
      {soak && <span className="block text-[13px] text-second">{soak}</span>}
      {cold && (
        <span className="block text-[13px]">
          <b className="font-semibold">Cold when you come:</b> {cold}
        </span>
      )}
    </>
  )
}
