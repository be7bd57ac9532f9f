export interface NothingDueProps {
  filtered: boolean
  onClear: () => void
}

/** No row: whether that is the words’ doing or there is nothing, and what would help. */
export function NothingDue({ filtered, onClear }: NothingDueProps) {
  return (
    <div className="px-6 py-8">
      <p className="head m-0">{filtered ? 'Nothing due matches these words' : 'Nothing is due in this time'}</p>
      <p className="mt-1 text-second">
        {filtered
          ? 'Look further ahead, or let go of a word.'
          : 'A machine shows here once it has been taken on; its first counter readings bring the dates closer. Look further ahead, or read counters in from a spreadsheet.'}
      </p>
      <p className="flex gap-3">
        {filtered && (
          <button type="button" className="plain" onClick={onClear}>
            Any site, kind and technician
          </button>
        )}
        <a href="/import/readings" className="plain inline-flex items-center">
          Readings from a spreadsheet
        </a>
      </p>
    </div>
  )
}
