import { Sheet } from '../../ui/Sheet.tsx'

/** Codes for paper, shown this once. */
export function PaperCodes({ codes, onClose }: { codes: string[]; onClose: () => void }) {
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="Codes on paper"
      about="Write them down or print them, and keep them where the van keys are not. Each opens once; they are shown only now."
    >
      <ul className="mono m-0 grid list-none grid-cols-2 gap-x-6 gap-y-1 p-0 text-[17px]">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <div className="mt-4 flex flex-wrap gap-3" data-noprint>
        <button type="button" className="act" onClick={onClose}>
          I have them
        </button>
        <button type="button" className="plain" onClick={() => window.print()}>
          Print
        </button>
      </div>
    </Sheet>
  )
}
