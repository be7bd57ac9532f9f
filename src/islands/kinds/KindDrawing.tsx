import type { Kind } from '../../core/kinds/kind.ts'
import { PathDrawing } from '../path/PathDrawing.tsx'

interface Props {
  /** As its options are said. */
  kind: Kind
  today: string
  chosen: string | null
  onChoose: (station: string) => void
}

const nothing = new Map<string, never>()
const none = new Set<string>()

/** A kind's water path by itself, nothing due on it; wider than the screen it scrolls. */
export function KindDrawing({ kind, today, chosen, onChoose }: Props) {
  return (
    <section
      aria-label="Water path, scrolls sideways"
      className="overflow-x-auto border-b border-hair bg-enamel px-4 pt-1 lg:px-6"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a wide drawing scrolls, and the keyboard must reach it
      tabIndex={0}
    >
      <PathDrawing kind={kind} today={today} without={none} hanging={nothing} chosen={chosen} onChoose={onChoose} />
    </section>
  )
}
