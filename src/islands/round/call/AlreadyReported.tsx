import { dayNear } from '../../../ui/format.ts'
import type { OpenFault } from '../../../views/call-page.ts'

interface Props {
  fault: OpenFault
  today: string
  onGoOn: (fault: OpenFault) => void
}

/** A fault of this machine is open: whoever rings about it again reports no second one. */
export function AlreadyReported({ fault, today, onGoOn }: Props) {
  return (
    <p className="m-0 mb-1 flex flex-wrap items-center gap-x-3 border-l-4 border-copper pl-3 text-[15px]">
      <span className="min-w-0 flex-1 basis-[260px]">
        <b className="font-semibold">Reported {dayNear(fault.on, today)}:</b> “{fault.text}”
      </span>
      <button type="button" className="plain" onClick={() => onGoOn(fault)}>
        They ring about that
      </button>
    </p>
  )
}
