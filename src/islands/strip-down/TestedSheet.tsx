import { Sheet } from '../../ui/Sheet.tsx'

interface Props {
  onTested: (tested: boolean) => void
  onClose: () => void
}

const choice = 'min-h-[64px] border-2 border-deep bg-field px-4 text-left text-[19px] font-semibold'

/** Live parts were bare: nobody plugs it in for a customer before somebody competent has tested it. */
export const TestedSheet = ({ onTested, onClose }: Props) => (
  <Sheet
    open
    onOpenChange={onClose}
    title="The electrical test"
    about="Live parts were bare. Earth bond, insulation and earth leakage, by a competent person with a tester for it, as the local code asks."
  >
    <div className="flex flex-col gap-3">
      <button type="button" className={choice} onClick={() => onTested(true)}>
        Tested and passed
      </button>
      <button type="button" className={choice} onClick={() => onTested(false)}>
        Not tested now: it stays not for use
      </button>
    </div>
  </Sheet>
)
