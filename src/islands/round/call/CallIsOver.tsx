import type { CallerMachine } from '../../../core/visits/caller-machine.ts'
import { dayFull } from '../../../ui/format.ts'
import type { CallOver } from './use-call-writes.ts'

interface Props {
  over: CallOver
  machine: CallerMachine | null
  today: string
  onAnother: () => void
}

/** What became of a call, and where it stands now. */
export function CallIsOver({ over, machine, today, onAnother }: Props) {
  const words = () => {
    switch (over.end) {
      case 'visit': {
        const { moment, step } = over
        const n = moment.day.findIndex(({ state }) => state === 'call') + 1
        return `${step === 'agreed' ? 'Agreed' : 'Asked for'}: stop ${n} of ${moment.name}, ${moment.on === today ? 'today' : dayFull(moment.on)}.`
      }
      case 'solved':
        return 'Solved on the telephone: it is in the ledger, and nobody drives.'
      case 'ring-back':
        return 'Noted. It stands here and in the round until somebody has rung back.'
      case 'done':
        return 'Rung back. Nothing more is open of it.'
    }
  }
  return (
    <section aria-label="What became of it" className="flex-1 bg-enamel px-4 py-6 lg:px-6">
      <h2 className="m-0 text-[20px] font-[640]" role="status">
        {words()}
      </h2>
      <p className="m-0 flex flex-wrap gap-3 pt-3">
        {over.end === 'visit' && (
          <a
            className="act inline-flex min-h-[48px] items-center"
            href={`/round/day?on=${over.moment.on}&who=${over.moment.technicianId}`}
          >
            That day
          </a>
        )}
        {machine && (
          <a className="plain inline-flex min-h-[48px] items-center" href={`/machines/${machine.machineId}?lens=fault`}>
            {machine.machineName}
          </a>
        )}
        <button type="button" className="plain min-h-[48px]" onClick={onAnother}>
          Another call
        </button>
      </p>
    </section>
  )
}
