interface Props {
  what: string
  /** Nothing is said where nothing was set aside. */
  why: string | null
  /** What hands must see to, since the screen no longer leads there. */
  look?: string
}

/** Said wherever work that was begun could be left half done in a machine. */
export const lookAtMachine =
  'What it put into the machine or took off is still in or off: look before it is switched on, and rinse before anybody drinks from it.'

/** Says that something kept here could not be gone on with, and why: it is not thrown away. */
export function AsideNote({ what, why, look }: Props) {
  if (why === null) return null
  return (
    <p role="status" className="m-0 border-b border-hair bg-copper-tint px-4 py-2 text-[14px] lg:px-6">
      {what} was kept on this device and cannot be gone on with: {why}. It is set aside here, not thrown away.
      {look && <b> {look}</b>}
    </p>
  )
}
