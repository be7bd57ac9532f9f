import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

export interface SheetProps {
  open: boolean
  onOpenChange: (open: boolean) => void
  title: string
  /** Read out with the title; what the sheet is for. */
  about: string
  children: ReactNode
  /** From the bottom on a phone, in the middle on a desk; or always at the bottom. */
  from?: 'middle' | 'bottom'
  /** As wide as a drawing needs it, on a desk. */
  wide?: boolean
}

/** A sheet over the page: focus stays in it, Escape closes it. */
export function SheetDialog({ open, onOpenChange, title, about, children, from = 'middle', wide = false }: SheetProps) {
  const place =
    from === 'bottom'
      ? 'inset-x-0 bottom-0 max-h-[75vh]'
      : `inset-x-0 bottom-0 max-h-[85vh] md:inset-x-auto md:bottom-auto md:left-1/2 md:-translate-x-1/2 ${wide ? 'md:top-[6vh] md:max-h-[88vh] md:w-[min(1180px,94vw)]' : 'md:top-[12vh] md:w-[560px]'}`
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content className={`fixed z-50 overflow-auto border border-deep bg-enamel p-5 text-ink ${place}`}>
          <Dialog.Title className="head m-0">{title}</Dialog.Title>
          <Dialog.Description className="mt-0.5 mb-3 text-[14px] text-second">{about}</Dialog.Description>
          {children}
          <Dialog.Close
            className="absolute top-2 right-2 flex h-11 w-11 items-center justify-center text-[20px] text-second"
            aria-label="Close"
          >
            ×
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
