import { useState } from 'react'
import { Sheet } from '../../ui/Sheet.tsx'
import { RecordChoice } from '../records/RecordChoice.tsx'

/** Before a machine is added: the site it stands at, where its form opens. */
export function WhereItStands({ onClose }: { onClose: () => void }) {
  const [site, setSite] = useState('')
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Add a machine"
      about="First where it stands: its hours and its water are the site’s."
    >
      <RecordChoice kind="site" label="Site" chosen={site} onChoose={setSite} />
      <div className="flex flex-wrap items-center gap-4">
        <button
          type="button"
          className="act"
          disabled={!site}
          onClick={() => location.assign(`/sites/${site}?add=machine`)}
        >
          Go on
        </button>
        <a className="word" href="/sites">
          A site that is not here yet
        </a>
      </div>
    </Sheet>
  )
}
