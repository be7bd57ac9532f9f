import type { DayTask } from '../../../views/day-page.ts'
import { markOf } from './day-words.ts'

/** Patterns of the strip and of the marks: hatched is over, filled is due, chevrons are taken along. */
export function DayDefs() {
  return (
    <svg width="0" height="0" aria-hidden="true" className="absolute">
      <defs>
        <pattern id="along" width="7" height="14" patternUnits="userSpaceOnUse">
          <rect width="7" height="14" fill="var(--enamel)" />
          <path d="M5.500 2L2 7l3.500 5" fill="none" stroke="var(--water)" strokeWidth="1.600" />
        </pattern>
      </defs>
    </svg>
  )
}

export const fillOf = { over: 'url(#hatch)', due: 'var(--deep)', along: 'url(#along)' }
const strokeOf = { over: 'var(--seal)', due: 'var(--deep)', along: 'var(--water)' }

/** A task’s square: hatched where it is over, filled where it is due, chevrons where it is done early. */
export function TaskMark({ task }: { task: DayTask }) {
  const mark = markOf(task)
  return (
    <svg width={14} height={14} className="shrink-0" aria-hidden="true">
      <rect x={0.75} y={0.75} width={12.5} height={12.5} fill={fillOf[mark]} stroke={strokeOf[mark]} />
    </svg>
  )
}
