import type { WrittenSince } from '../../views/entry-verdict.ts'

interface Props {
  machineId: string
  others: WrittenSince[]
  /** Saved all the same. */
  onSave: () => void
}

/** Somebody else wrote while this was being written: nothing is saved before it is seen. */
export function OthersWrote({ machineId, others, onSave }: Props) {
  return (
    <div role="alert" className="mt-3 border-l-4 border-seal pl-3">
      <b>Somebody else wrote here since you opened this form. Nothing of yours was saved yet.</b>
      {others.map((other) => (
        <p key={other.seq} className="m-0 text-[14px]">
          {other.by}: {other.said.join(', ')}
        </p>
      ))}
      <div className="mt-2 flex gap-3">
        <button type="button" className="act" onClick={() => onSave()}>
          Save mine as well
        </button>
        <button type="button" className="plain" onClick={() => location.assign(`/machines/${machineId}?lens=ledger`)}>
          See theirs, keep my draft
        </button>
      </div>
    </div>
  )
}
