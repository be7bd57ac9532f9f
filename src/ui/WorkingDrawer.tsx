import type { ReactNode } from 'react'
import type { Line, Working } from '../core/quantity/working.ts'
import { counted } from './format.ts'
import { Sheet } from './Sheet.tsx'
import { WorkingColumn } from './WorkingColumn.tsx'

interface Props {
  /** Whose working it is, and the answer in a sentence. */
  title: string
  about: string
  /** The line that always shows. */
  glance: string
  working: Working
  open: boolean
  onOpenChange: (open: boolean) => void
  onAdjust: (line: Line) => void
  /** What is shown in place of its lines while they are not here. */
  meanwhile?: ReactNode
  /** What stands below it. */
  children?: ReactNode
}

/** On a small screen: the working waits at the foot, its first two lines always in view, and opens as a sheet. */
export function WorkingDrawer(props: Props) {
  const { title, about, glance, working, open, onOpenChange, onAdjust, meanwhile, children } = props
  return (
    <>
      <button
        type="button"
        onClick={() => onOpenChange(true)}
        data-noprint
        className="fixed inset-x-0 bottom-[60px] z-20 [@media(max-height:520px)]:bottom-0 border-t border-ink bg-enamel px-4 pt-2 pb-2 text-left md:bottom-0 lg:hidden"
      >
        <span className="mx-auto mb-1.5 block h-1 w-10 rounded-sm bg-second" aria-hidden="true" />
        <span className="flex items-baseline gap-2">
          <b className="text-copper">Working</b> <b>{title}</b>
          {!meanwhile && (
            <span className="ml-auto text-[14px] text-second">{counted(working.lines.length, 'line')}</span>
          )}
        </span>
        <span className="mono block truncate text-[14px]">{glance}</span>
      </button>
      <Sheet open={open} onOpenChange={onOpenChange} title={`Working: ${title}`} about={about} from="bottom">
        {meanwhile || <WorkingColumn working={working} onAdjust={onAdjust} />}
        {children}
      </Sheet>
    </>
  )
}
