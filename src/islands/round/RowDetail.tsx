import type { Standing } from '../../core/standing/standing.ts'
import { WorkingColumn } from '../../ui/WorkingColumn.tsx'

export interface DetailProps {
  detail: Standing | null | 'failed'
}

/** The working of a row, once it is there. */
export function Detail({ detail }: DetailProps) {
  if (detail === 'failed')
    return <p className="text-second">The working needs the network. The machine's own page has it too.</p>
  return detail ? <WorkingColumn working={detail.working} /> : <div className="min-h-[200px]" aria-busy="true" />
}
